import { Button, Modal } from "@mantine/core";
import { useCallback, useMemo, useState } from "react";
import { Link, useLocation } from "react-router";
import type { ItemRow } from "../api/client";
import { CloseUp } from "../parts/CloseUp";
import { ExemptForm } from "../parts/ExemptForm";
import { FilterBar } from "../parts/FilterBar";
import { Grid } from "../parts/Grid";
import { itemColumns } from "../parts/itemColumns";
import { ListDialog } from "../parts/ListDialog";
import { of } from "../parts/number";
import stage from "../parts/stage.module.css";
import { useItemView } from "../parts/useItemView";
import { useLabels } from "../parts/useLabels";
import css from "./Triage.module.css";

const NOTHING = {};

/** The items with findings of one check, each with its evidence. */
export function FoundItems({ propertyId }: { propertyId: number }) {
  const view = useItemView(propertyId, NOTHING);
  const { search } = useLocation();
  const [hand, setHand] = useState<number>();
  const [exempting, setExempting] = useState(false);
  const [listing, setListing] = useState(false);
  const follow = useCallback(
    (row: ItemRow | undefined, again: boolean) => row && setHand((now) => (again && now === undefined ? now : row.id)),
    [],
  );
  const { field = "", check = "", shared, ...others } = view.filter;
  const narrowed = Object.values(others).some(Boolean);
  const labelOf = useLabels(propertyId);
  const name = [field && check !== "any" ? labelOf(field, check) : "with findings", others.section]
    .filter(Boolean)
    .join(", ");
  const columns = useMemo(
    () => [
      itemColumns.address,
      field === "" || field === "title" || field === "description" || field === "tags"
        ? itemColumns.text(field || "title", "minmax(260px, 2fr)")
        : itemColumns.h1,
      itemColumns.evidence(field, check, labelOf),
      view.mostAtStake > 0 ? itemColumns.stake(view.mostAtStake) : itemColumns.links,
    ],
    [field, check, view.mostAtStake, labelOf],
  );
  return (
    <div className={stage.stage}>
      <FilterBar propertyId={propertyId} view={view}>
        <Link to="?" className={css.back}>
          All causes
        </Link>
        <Button
          size="xs"
          variant="default"
          title={field && check !== "any" ? undefined : "Choose one finding first"}
          disabled={!view.rows.total || !field || check === "any"}
          onClick={() => setExempting(true)}
        >
          Let them stand
        </Button>
        <Button size="xs" variant="default" onClick={() => setListing(true)}>
          Put on a list
        </Button>
        <Button size="xs" component={Link} to={`/p/${propertyId}/rewrite${search}`}>
          Open in Rewrite
        </Button>
      </FilterBar>
      {listing && (
        <ListDialog
          propertyId={propertyId}
          listed={{ name: name.slice(0, 500), place: search.slice(1) }}
          onClose={() => setListing(false)}
        />
      )}
      <Modal
        opened={exempting}
        onClose={() => setExempting(false)}
        title={`Let ${of(view.rows.total ?? 0, "finding")} stand`}
      >
        <ExemptForm
          propertyId={propertyId}
          selection={{ filter: view.filter }}
          field={field}
          check={check}
          onDone={() => setExempting(false)}
        />
      </Modal>
      <div className={stage.split}>
        <div className={stage.table}>
          <Grid
            label="Items with this finding"
            columns={columns}
            {...view.grid}
            onCursor={follow}
            empty={narrowed ? "No item with this finding matches the filters." : "No item has this finding any longer."}
          />
        </div>
        {hand !== undefined && <CloseUp propertyId={propertyId} itemId={hand} onClose={() => setHand(undefined)} />}
      </div>
    </div>
  );
}
