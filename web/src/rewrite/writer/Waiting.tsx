import { Button } from "@mantine/core";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { useChange } from "../../api/queries";
import { AmountInput } from "../../parts/AmountInput";
import { of } from "../../parts/number";
import { money } from "./RunForm";
import css from "./Writer.module.css";

interface Props {
  propertyId: number;
  jobId: number;
  waiting: number;
  spent: number;
  ceiling: number | null;
  underWay: boolean;
  /** how it ended last; "" while it is under way */
  says: string;
  currency: string;
}

/** A run that is under way, or that was stopped and can go on. */
export function Waiting({ propertyId, jobId, waiting, spent, ceiling, underWay, says, currency }: Props) {
  const [most, setMost] = useState<number | undefined>(ceiling ?? undefined);
  const path = { params: { path: { jobId } } };
  const resume = useChange(propertyId, () =>
    answer(api.POST("/api/writer/runs/{jobId}/resume", { ...path, body: { ceiling: most } })),
  );
  const giveUp = useChange(propertyId, () => answer(api.POST("/api/writer/runs/{jobId}/give-up", path)));
  const stop = useChange(propertyId, () =>
    answer(api.POST("/api/jobs/{id}/stop", { params: { path: { id: jobId } } })),
  );
  return (
    <div className={css.run} role="status">
      <p>
        <strong>{of(waiting, "answer")}</strong> {waiting === 1 ? "waits" : "wait"}; {money(spent, currency)} spent
        {ceiling !== null && ` of at most ${money(ceiling, currency)}`}.
      </p>
      {!underWay && says && <p>{says}</p>}
      {underWay ? (
        <Button size="xs" variant="default" loading={stop.isPending} onClick={() => stop.mutate()}>
          Stop
        </Button>
      ) : (
        <div className={css.buttons}>
          <AmountInput
            size="xs"
            aria-label="Spend at most"
            placeholder="no ceiling"
            prefix={`${currency} `}
            start={ceiling ?? undefined}
            onAmount={(amount) => setMost(amount || undefined)}
          />
          <Button size="xs" loading={resume.isPending} onClick={() => resume.mutate()}>
            Resume
          </Button>
          <Button size="xs" variant="subtle" loading={giveUp.isPending} onClick={() => giveUp.mutate()}>
            Give up what waits
          </Button>
        </div>
      )}
    </div>
  );
}
