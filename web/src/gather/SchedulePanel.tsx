import { Button, NativeSelect, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Schedule } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { day } from "../parts/number";
import stage from "../parts/stage.module.css";
import css from "./Gather.module.css";

const WORDS: Record<Schedule["every"], string> = {
  DAY: "every day",
  WEEK: "every week",
  MONTH: "every month",
  ONCE: "once",
};

const tomorrow = () => new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);

/** Sweeps that start by themselves, set as the last one was. */
export function SchedulePanel({ propertyId }: { propertyId: number }) {
  const params = { path: { propertyId } };
  const [every, setEvery] = useState<Schedule["every"]>("WEEK");
  const [nextDay, setNextDay] = useState(tomorrow);
  const planned = useQuery({
    queryKey: ofProperty(propertyId, "schedule"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/schedule", { params })),
  });
  const plan = useChange(propertyId, () =>
    answer(api.PUT("/api/properties/{propertyId}/schedule", { params, body: { every, nextDay } })),
  );
  const unplan = useChange(propertyId, () => answer(api.DELETE("/api/properties/{propertyId}/schedule", { params })));
  const schedule = planned.data?.schedule;
  return (
    <div className={stage.block}>
      <h2>Schedule</h2>
      {schedule ? (
        <p>
          Swept {WORDS[schedule.every]}, next on {day(schedule.nextDay)}, as the last sweep was set.{" "}
          <button type="button" className={css.link} onClick={() => unplan.mutate(undefined)}>
            Do not
          </button>
        </p>
      ) : (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            plan.mutate(undefined);
          }}
        >
          <div className={css.numbers}>
            <NativeSelect
              label="How often"
              value={every}
              onChange={(event) => setEvery(event.currentTarget.value as Schedule["every"])}
              data={Object.entries(WORDS).map(([value, label]) => ({ value, label }))}
            />
            <TextInput
              label="From"
              type="date"
              value={nextDay}
              onChange={(event) => setNextDay(event.currentTarget.value)}
            />
          </div>
          <Button type="submit" variant="default" loading={plan.isPending}>
            Sweep it by itself
          </Button>
        </form>
      )}
    </div>
  );
}
