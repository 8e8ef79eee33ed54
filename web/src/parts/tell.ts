import { notifications } from "@mantine/notifications";

/** Says in the corner what happened. */
export function tell(message: string) {
  notifications.show({ message, autoClose: 6_000, withBorder: true });
}

/** Says what went wrong, and stays until it is closed. */
export function tellProblem(problem: Error) {
  notifications.show({ title: "That did not work", message: problem.message, autoClose: false, withBorder: true });
}
