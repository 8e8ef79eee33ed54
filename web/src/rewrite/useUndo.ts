import { type Applied, answer, api, type Batch } from "../api/client";
import { useBatches, useChange } from "../api/queries";
import { of } from "../parts/number";
import { tell } from "../parts/tell";

/** The batches of a property, and taking them back or applying them again. */
export function useUndo(propertyId: number) {
  const batches = useBatches(propertyId);
  const say = (what: string) => ({
    onSuccess: ({ batch }: Applied) =>
      tell(batch ? `${what}: ${batch.title} (${of(batch.items, "text")}).` : `${what} …`),
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
      batch.state === "applied" ? undo.mutate(batch, say("Undone")) : redo.mutate(batch, say("Applied again")),
    undoLast: () => {
      const last = list.find((batch) => batch.state === "applied");
      if (last) undo.mutate(last, say("Undone"));
      else tell("There is nothing to undo.");
    },
    redoLast: () => {
      const undone = list.filter((batch) => batch.state === "undone");
      const last = undone.sort((a, b) => (a.undone < b.undone ? 1 : -1))[0];
      if (last) redo.mutate(last, say("Applied again"));
      else tell("There is nothing to apply again.");
    },
  };
}

export type Undo = ReturnType<typeof useUndo>;
