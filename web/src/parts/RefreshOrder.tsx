import { Button } from "@mantine/core";
import type { ItemView } from "./useItemView";

interface Props {
  view: ItemView;
  /** The property's revision now; undefined until it is known. */
  revision: number | undefined;
}

/** Offers a table whose rows keep their places to show what came and went since. */
export function RefreshOrder({ view, revision }: Props) {
  if (view.asOf === undefined || revision === undefined || view.asOf >= revision) return null;
  return (
    <Button size="compact-xs" variant="subtle" onClick={view.sortAgain}>
      Refresh the order
    </Button>
  );
}
