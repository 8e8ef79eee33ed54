import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef, useState } from "react";
import { answer, api, type CopiedColumn, type Field, type ItemRow, type TypedCell } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { renew } from "../api/renew";
import { cellOf, type DraftedField } from "../parts/fields";
import type { RangeChange, Typed } from "../parts/Grid";
import { of } from "../parts/number";
import { saveTexts } from "../parts/saveTexts";
import { tell } from "../parts/tell";
import { useConflicts } from "../parts/useConflicts";
import type { ItemView } from "../parts/useItemView";

/** A text that was typed and is not stored yet. */
export interface Unsaved {
  text: string;
  /** Why it could not be stored; undefined while it is being stored. */
  problem?: string;
}

const LOOK_AGAIN_MS = 500;

const keyOf = (itemId: number, field: string) => `${itemId} ${field}`;

/** Waits until a piece of long work has ended, however long the server does not answer meanwhile. */
async function ended(jobId: number) {
  const state = () =>
    answer(api.GET("/api/jobs/{id}", { params: { path: { id: jobId } } })).then(
      (job) => job.state,
      () => "running",
    );
  while ((await state()) === "running") await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS));
}

/** What is changed at the desk: shown at once, stored, and never lost where that fails. */
export function useDesk(propertyId: number, view: ItemView) {
  const queries = useQueryClient();
  const conflicts = useConflicts();
  const [unsaved, setUnsaved] = useState<ReadonlyMap<string, Unsaved>>(new Map());
  const saving = useRef<Promise<unknown>>(Promise.resolve());
  const rangesUnderWay = useRef(0);

  const note = useCallback((cells: TypedCell[], state: (cell: TypedCell) => Unsaved | undefined) => {
    setUnsaved((before) => {
      const after = new Map(before);
      for (const cell of cells) {
        const next = state(cell);
        if (next) after.set(keyOf(cell.itemId ?? 0, cell.field), next);
        else after.delete(keyOf(cell.itemId ?? 0, cell.field));
      }
      return after;
    });
  }, []);
  const store = useChange(propertyId, (cells: TypedCell[]) => saveTexts(propertyId, cells), "says its problems");
  const shownText = ({ itemId, field }: TypedCell) => {
    const rows = { queryKey: ofProperty(propertyId, "items"), type: "active" as const };
    const pages = queries.getQueriesData<{ rows: ItemRow[] }>(rows).flatMap(([, page]) => page?.rows ?? []);
    const row = pages.find((each) => each.id === itemId);
    const cell = row && cellOf(row, field as DraftedField);
    return cell?.draft ?? cell?.captured;
  };
  const save = (cells: () => TypedCell[], after: Promise<unknown> = Promise.resolve()) => {
    note(cells(), (cell) => ({ text: cell.text ?? "" }));
    const stored = after
      .then(() => store.mutateAsync(cells()))
      .then(
        () => note(cells(), () => undefined),
        (problem: Error) => {
          note(cells(), (cell) => ({ text: cell.text ?? "", problem: problem.message }));
          conflicts.meet(problem, () => save(() => cells().map((cell) => ({ ...cell, from: undefined }))));
        },
      );
    saving.current = Promise.all([saving.current, stored]);
    return stored;
  };
  const onType = ({ row, column, text, from }: Typed<ItemRow>) => {
    const field = column as Field;
    const cell = { itemId: row.id, field, text, from };
    const before = unsaved.get(keyOf(row.id, field));
    // What was typed over a text that is being stored or filled in replaces that text, and follows it.
    if (before && before.problem === undefined) save(() => [{ ...cell, from: before.text }], saving.current);
    else if (rangesUnderWay.current > 0) save(() => [{ ...cell, from: shownText(cell) }], saving.current);
    else save(() => [cell]);
  };

  const changed = useChange(
    propertyId,
    ({ change, insist }: { change: RangeChange; insist: boolean }) =>
      answer(
        api.POST("/api/properties/{propertyId}/ranges", {
          params: { path: { propertyId } },
          body: {
            action: change.action,
            ...view.stand(),
            from: change.from,
            count: change.count,
            firstId: change.firstId,
            lastId: change.lastId,
            fields: change.fields,
            cells: change.cells,
            asOf: insist ? undefined : view.seen(),
          },
        }),
      ),
    "says its problems",
  );
  const range = (change: RangeChange, insist: boolean) => {
    rangesUnderWay.current++;
    // What was typed before belongs to what is filled down or pasted over.
    const done = saving.current
      .then(() => changed.mutateAsync({ change, insist }))
      .then(
        async ({ batch, jobId }) => {
          if (batch) tell(`${of(batch.items, "text")} changed. ctrl + Z undoes it.`);
          if (!jobId) return;
          tell("It is under way; the bar below shows how far.");
          await ended(jobId);
          await renew(queries, ofProperty(propertyId));
        },
        (problem: Error) => conflicts.meet(problem, () => range(change, true)),
      )
      .finally(() => rangesUnderWay.current--);
    saving.current = Promise.all([saving.current, done]);
  };
  const copyRange = (from: number, count: number, columns: string[]) => {
    const copied = async () => {
      await saving.current;
      const { filter, order } = view.stand();
      return answer(
        api.GET("/api/properties/{propertyId}/items/copy", {
          params: {
            path: { propertyId },
            query: {
              ...filter,
              ...order,
              columns: columns.map((key) => key.replace("-", "") as CopiedColumn),
              from,
              count,
            },
          },
          parseAs: "text",
        }),
      );
    };
    const text = copied().then((cells) => new Blob([cells as unknown as string], { type: "text/plain" }));
    navigator.clipboard.write([new ClipboardItem({ "text/plain": text })]).then(
      () => tell(`${of(count, "row")} copied.`),
      (problem: Error) => conflicts.meet(problem, () => undefined),
    );
  };

  return {
    onType,
    onRange: (change: RangeChange) => range(change, false),
    copyRange,
    /** What was typed into a cell and is not stored yet. */
    unsavedOf: (itemId: number, field: string) => unsaved.get(keyOf(itemId, field)),
    failed: [...unsaved].filter(([, cell]) => cell.problem !== undefined).length,
    /** Stores once more what could not be stored. */
    retry: () => {
      const cells: TypedCell[] = [...unsaved]
        .filter(([, cell]) => cell.problem !== undefined)
        .map(([key, cell]) => {
          const [id, field] = key.split(" ");
          return { itemId: Number(id), field: field as Field, text: cell.text };
        });
      if (cells.length > 0) save(() => cells);
    },
    discard: () => setUnsaved(new Map([...unsaved].filter(([, cell]) => cell.problem === undefined))),
    /** Ends when everything typed so far is stored, so that undo means the last of it. */
    settled: async () => {
      await saving.current;
      await renew(queries, ofProperty(propertyId, "batches"));
    },
    conflicts: conflicts.dialog,
  };
}
