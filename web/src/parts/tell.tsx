import { Button } from "@mantine/core";
import { notifications } from "@mantine/notifications";

/** Says in the corner what happened. */
export function tell(message: string) {
  notifications.show({ message, autoClose: 6_000, withBorder: true });
}

/** Says what happened, and offers to take it back. */
export function tellWithUndo(message: string, undo: () => void) {
  const id = notifications.show({
    message: (
      <>
        {message}{" "}
        <Button
          size="compact-xs"
          variant="default"
          onClick={() => {
            notifications.hide(id);
            undo();
          }}
        >
          Undo
        </Button>
      </>
    ),
    autoClose: 12_000,
    withBorder: true,
  });
}

/** Says what went wrong, and stays until it is closed. */
export function tellProblem(problem: Error) {
  // The same problem of several requests is said once.
  notifications.show({
    id: problem.message,
    title: "That did not work",
    message: problem.message,
    autoClose: false,
    withBorder: true,
  });
}
