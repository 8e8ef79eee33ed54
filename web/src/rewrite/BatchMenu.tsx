import { Button } from "@mantine/core";
import { useState } from "react";
import { HistoryDialog } from "./HistoryDialog";
import type { Undo } from "./useUndo";

/** Opens what was changed so far, batch by batch. */
export function BatchMenu({ propertyId, undo }: { propertyId: number; undo: Undo }) {
  const [open, setOpen] = useState(false);
  if (undo.list.length === 0) return null;
  return (
    <>
      <Button size="xs" variant="default" onClick={() => setOpen(true)}>
        History
      </Button>
      {open && <HistoryDialog propertyId={propertyId} undo={undo} onClose={() => setOpen(false)} />}
    </>
  );
}
