import { NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { answer, api, type Schedule } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { day } from "./number";

interface Props {
  propertyId: number;
  /** What is planned. */
  path: "/api/properties/{propertyId}/live-schedule" | "/api/properties/{propertyId}/demand/schedule";
  label: string;
  /** What is done then, as a sentence without its end. */
  does: string;
  every: Schedule["every"][];
}

/** How often something is done, in words. */
export const EVERY: Record<Schedule["every"], string> = {
  DAY: "every day",
  WEEK: "every week",
  MONTH: "every month",
  ONCE: "once",
};

/** The day on which what is planned begins: at once. */
export const today = () => new Date().toISOString().slice(0, 10);

/** Whether something is done by itself, and how often: for the first time at once. */
export function ScheduleChoice({ propertyId, path, label, does, every }: Props) {
  const params = { path: { propertyId } };
  const schedule = useQuery({
    queryKey: ofProperty(propertyId, path),
    queryFn: () => answer(api.GET(path, { params })),
  }).data?.schedule;
  const plan = useChange(propertyId, (chosen: Schedule["every"]) =>
    answer(api.PUT(path, { params, body: { every: chosen, nextDay: today() } })),
  );
  const unplan = useChange(propertyId, () => answer(api.DELETE(path, { params })));
  return (
    <NativeSelect
      size="xs"
      label={label}
      description={`${does}${schedule ? `, next on ${day(schedule.nextDay)}` : ""}.`}
      value={schedule?.every ?? ""}
      data={[{ value: "", label: "only when asked" }, ...every.map((value) => ({ value, label: EVERY[value] }))]}
      onChange={(event) => {
        const chosen = event.currentTarget.value as Schedule["every"] | "";
        if (chosen === "") unplan.mutate(undefined);
        else plan.mutate(chosen);
      }}
    />
  );
}
