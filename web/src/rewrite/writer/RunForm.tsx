import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Selection } from "../../api/client";
import { ofProperty, useChange } from "../../api/queries";
import { AmountInput } from "../../parts/AmountInput";
import { count, of } from "../../parts/number";
import css from "./Writer.module.css";

interface Props {
  propertyId: number;
  selection: Selection;
  n: number;
  columnIds: number[];
  /** Under which name items are picked, to ask for no others. */
  among: string | undefined;
}

/** What a run would cost, the most that it may, and the button that begins it. */
export function RunForm({ propertyId, selection, n, columnIds, among }: Props) {
  const [ceiling, setCeiling] = useState<number | undefined>();
  const path = { params: { path: { propertyId } } };
  const ready = n > 0 && columnIds.length > 0;
  const estimate = useQuery({
    queryKey: ofProperty(propertyId, "writer-estimate", JSON.stringify(selection), columnIds.join(), among),
    enabled: ready,
    queryFn: () =>
      answer(
        api.POST("/api/properties/{propertyId}/writer/estimate", { ...path, body: { selection, columnIds, among } }),
      ),
  });
  const run = useChange(propertyId, () =>
    answer(
      api.POST("/api/properties/{propertyId}/writer/runs", { ...path, body: { selection, columnIds, among, ceiling } }),
    ),
  );
  const { data, error } = estimate;
  return (
    <div className={css.run}>
      {!ready && <p>Tick the columns to ask for.</p>}
      {error && <p role="alert">{error.message}</p>}
      {ready && data && (
        <p>
          <strong>{of(data.cells, "answer")}</strong>, about {money(data.cost, data.currency)} for{" "}
          {count(Math.round((data.tokensIn + data.tokensOut) / 1000))} thousand tokens. What was answered before and is
          still right costs nothing.
        </p>
      )}
      <div className={css.buttons}>
        <AmountInput
          size="xs"
          aria-label="Spend at most"
          placeholder="no ceiling"
          prefix={data ? `${data.currency} ` : ""}
          start={undefined}
          onAmount={(amount) => setCeiling(amount || undefined)}
        />
        <Button size="xs" disabled={!ready || Boolean(error)} loading={run.isPending} onClick={() => run.mutate()}>
          Write for {of(n, "item")}
        </Button>
      </div>
    </div>
  );
}

/** "1.24 GBP", "under 0.01 GBP". */
export const money = (amount: number, currency: string) =>
  amount > 0 && amount < 0.01 ? `under 0.01 ${currency}` : `${amount.toFixed(2)} ${currency}`;
