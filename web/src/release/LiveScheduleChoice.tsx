import { NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { answer, api, type Schedule } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { day } from "../parts/number";

const today = () => new Date().toISOString().slice(0, 10);

/** Whether the pages of recent releases are swept again by themselves. */
export function LiveScheduleChoice({ propertyId }: { propertyId: number }) {
  const params = { path: { propertyId } };
  const schedule = useQuery({
    queryKey: ofProperty(propertyId, "live-schedule"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/live-schedule", { params })),
  }).data?.schedule;
  const plan = useChange(propertyId, (every: Schedule["every"]) =>
    answer(api.PUT("/api/properties/{propertyId}/live-schedule", { params, body: { every, nextDay: today() } })),
  );
  const unplan = useChange(propertyId, () =>
    answer(api.DELETE("/api/properties/{propertyId}/live-schedule", { params })),
  );
  return (
    <NativeSelect
      size="xs"
      label="Check what is live"
      description={`Sweeps the pages of the last 90 days' releases again${schedule ? `, next on ${day(schedule.nextDay)}` : ""}.`}
      value={schedule?.every ?? ""}
      data={[
        { value: "", label: "only when asked" },
        { value: "DAY", label: "every day" },
        { value: "WEEK", label: "every week" },
      ]}
      onChange={(event) => {
        const every = event.currentTarget.value as Schedule["every"] | "";
        if (every === "") unplan.mutate(undefined);
        else plan.mutate(every);
      }}
    />
  );
}
