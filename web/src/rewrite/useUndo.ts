import { useQueryClient } from "@tanstack/react-query";
import { type Applied, answer, api, type Batch } from "../api/client";
import { batchesOf, useBatches, useChange } from "../api/queries";
import { of } from "../parts/number";
import { tell } from "../parts/tell";

/** Many texts are taken back in a job. */
const UNDER_WAY = {
  Undone: "It is being undone; the bar below shows how far.",
  Redone: "It is being redone; the bar below shows how far.",
};

/** The batches of a property, and taking them back or applying them again. */
export function useUndo(propertyId: number, settled: () => Promise<unknown> = async () => undefined) {
  const queries = useQueryClient();
  const batches = useBatches(propertyId);
  // The batches as they are once everything typed before is stored: undo right after Enter means that text.
  const latest = async () => {
    await settled();
    return queries.fetchQuery({ ...batchesOf(propertyId), staleTime: 0 });
  };
  const say = (what: "Undone" | "Redone") => ({
    onSuccess: ({ batch, left }: Applied) => {
      const stayed = left.map((each) => `${of(each.texts, "text")} delivered since in handover ${each.handoverId}`);
      const but = stayed.length > 0 ? ` ${stayed.join(", ")}: left as delivered.` : "";
      tell(batch ? `${what}: ${batch.title} (${of(batch.items, "text")}).${but}` : UNDER_WAY[what]);
    },
  });
  const undo = useChange(propertyId, (batch: Batch) =>
    answer(api.POST("/api/batches/{id}/undo", { params: { path: { id: batch.id } } })),
  );
  const redo = useChange(propertyId, (batch: Batch) =>
    answer(api.POST("/api/batches/{id}/redo", { params: { path: { id: batch.id } } })),
  );
  const list = batches.data ?? [];
  return {
    list,
    busy: undo.isPending || redo.isPending,
    turn: (batch: Batch) =>
      batch.state === "applied" ? undo.mutate(batch, say("Undone")) : redo.mutate(batch, say("Redone")),
    undoLast: async () => {
      const last = (await latest()).find((batch) => batch.state === "applied");
      if (last) undo.mutate(last, say("Undone"));
      else tell("There is nothing to undo.");
    },
    redoLast: async () => {
      const undone = (await latest()).filter((batch) => batch.state === "undone");
      const last = undone.sort((a, b) => ((a.undone ?? "") < (b.undone ?? "") ? 1 : -1))[0];
      if (last) redo.mutate(last, say("Redone"));
      else tell("There is nothing to redo.");
    },
  };
}

export type Undo = ReturnType<typeof useUndo>;
