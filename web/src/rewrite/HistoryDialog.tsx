import { Button, Modal, NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Batch, type ChangesView } from "../api/client";
import { ofProperty } from "../api/queries";
import { TableLinks } from "../parts/FileLink";
import { fieldLabel } from "../parts/fields";
import { dayAndTime, of, pathOf } from "../parts/number";
import { QueryProblem } from "../parts/QueryProblem";
import css from "./HistoryDialog.module.css";
import type { Undo } from "./useUndo";

interface Props {
  propertyId: number;
  undo: Undo;
  onClose: () => void;
}

/** Everything that was changed: each batch with its texts, and any two moments side by side. */
export function HistoryDialog({ propertyId, undo, onClose }: Props) {
  const [chosen, setChosen] = useState<Batch>();
  const [from, setFrom] = useState<number>();
  const batch = chosen && (undo.list.find((each) => each.id === chosen.id) ?? chosen);
  const between = batch && from !== undefined;
  const path = between ? `/api/properties/${propertyId}/changes` : batch && `/api/batches/${batch.id}/changes`;
  const changes = useQuery({
    queryKey: ofProperty(propertyId, "changes", batch?.id, from, batch?.state),
    enabled: batch !== undefined,
    queryFn: (): Promise<ChangesView> =>
      between
        ? answer(
            api.GET("/api/properties/{propertyId}/changes", {
              params: { path: { propertyId }, query: { from, to: batch.id } },
            }),
          )
        : answer(api.GET("/api/batches/{id}/changes", { params: { path: { id: batch?.id ?? 0 } } })),
  });
  const earlier = undo.list.filter((each) => batch && each.id < batch.id && each.state === "applied");
  return (
    <Modal opened onClose={onClose} size="min(1160px, 96vw)" title="History">
      <div className={css.sides}>
        <ol className={css.list} aria-label="Batches">
          {undo.list.map((each) => (
            <li key={each.id} className={each.state === "undone" ? css.undone : undefined}>
              <button
                type="button"
                aria-pressed={each.id === batch?.id}
                onClick={() => {
                  setChosen(each);
                  setFrom(undefined);
                }}
              >
                {each.title}
                <small>
                  {of(each.items, "text")}, {dayAndTime(each.created)}
                  {each.state === "undone" && ", undone"}
                </small>
              </button>
            </li>
          ))}
        </ol>
        {!batch && <p className={css.lead}>Choose a batch to see what it changed.</p>}
        {batch && (
          <section aria-label="What was changed">
            <header className={css.head}>
              <NativeSelect
                size="xs"
                aria-label="Compared with"
                value={from ?? "own"}
                data={[
                  { value: "own", label: "What this batch changed" },
                  ...earlier.map((each) => ({
                    value: String(each.id),
                    label: `All since ${dayAndTime(each.created)}: ${each.title}`,
                  })),
                  { value: "0", label: "All since the beginning" },
                ]}
                onChange={(event) => {
                  const value = event.currentTarget.value;
                  setFrom(value === "own" ? undefined : Number(value));
                }}
              />
              <Button size="xs" variant="default" loading={undo.busy} onClick={() => undo.turn(batch)}>
                {batch.state === "applied" ? "Undo this batch" : "Redo this batch"}
              </Button>
              <TableLinks csv={between ? `${path}.csv?from=${from}&to=${batch.id}` : `${path}.csv`} />
            </header>
            {changes.error && <QueryProblem query={changes} />}
            {changes.data && (
              <>
                <p className={css.lead}>
                  {of(changes.data.total, "text")} touched
                  {changes.data.total > changes.data.texts.length &&
                    `; ${changes.data.texts.length} that differ are shown, the file has all`}
                </p>
                <ul className={css.texts}>
                  {changes.data.texts.map((text) => (
                    <li key={text.fieldId}>
                      <span title={text.address}>
                        {pathOf(text.address)} <small>{fieldLabel(text.field)}</small>
                      </span>
                      <del>{text.before || "none"}</del>
                      <ins>{text.after || "none"}</ins>
                    </li>
                  ))}
                </ul>
              </>
            )}
          </section>
        )}
      </div>
    </Modal>
  );
}
