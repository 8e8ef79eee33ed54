import { type ReactNode, useState } from "react";
import type { Property, Selection } from "../api/client";
import { of } from "../parts/number";
import { SidePanel } from "../parts/SidePanel";
import { Delivered } from "./Delivered";
import { DeliverForm } from "./DeliverForm";
import { PushDialog } from "./push/PushDialog";
import { usePushes } from "./push/usePushes";

interface Props {
  property: Property;
  approved: number;
  /** The items that are selected in the table; null for none. */
  selected: Selection | null;
  children?: ReactNode;
}

/** Delivers approved drafts as a file or by a push, and lists what was delivered so far. */
export function Handovers({ property, approved, selected, children }: Props) {
  const pushes = usePushes(property.id).data;
  const [open, setOpen] = useState<number>();
  const opened = pushes?.find((push) => push.release.id === open);
  return (
    <SidePanel
      label="Deliver"
      width={320}
      title={approved === 0 ? "Nothing approved yet" : `${of(approved, "approved draft")} to deliver`}
    >
      <DeliverForm property={property} approved={approved} selected={selected} onReleased={setOpen} />
      {children}
      <Delivered property={property} pushes={pushes ?? []} onOpen={setOpen} />
      {opened && (
        <PushDialog propertyId={property.id} push={opened} selected={selected} onClose={() => setOpen(undefined)} />
      )}
    </SidePanel>
  );
}
