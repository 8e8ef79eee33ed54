import { useCallback, useMemo, useState } from "react";
import type { ItemRow } from "../api/client";
import { CloseUp } from "../parts/CloseUp";
import { FilterBar } from "../parts/FilterBar";
import { Grid } from "../parts/Grid";
import { itemColumns } from "../parts/itemColumns";
import stage from "../parts/stage.module.css";
import { useItemView } from "../parts/useItemView";
import { useProperty } from "../parts/useProperty";
import { CaptureDetails } from "./CaptureDetails";
import { ImportPanel } from "./ImportPanel";
import { LanguageNotice } from "./LanguageNotice";
import { SchedulePanel } from "./SchedulePanel";
import { SweepList } from "./SweepList";
import { SweepPanel } from "./SweepPanel";

const NOTHING = {};

export function Gather() {
  const { propertyId, property } = useProperty();
  const view = useItemView(propertyId, NOTHING);
  const [hand, setHand] = useState<number>();
  const follow = useCallback(
    (row: ItemRow | undefined, again: boolean) => row && setHand((now) => (again && now === undefined ? now : row.id)),
    [],
  );
  const website = property?.kind === "website";
  const videos = property?.kind === "videos";
  const columns = useMemo(
    () => [
      itemColumns.address,
      itemColumns.text("title", "minmax(200px, 1.6fr)"),
      itemColumns.text("description", "minmax(200px, 2fr)"),
      ...(website ? [itemColumns.h1, itemColumns.links] : [itemColumns.text("tags", "minmax(130px, 1.4fr)")]),
      ...(videos ? [itemColumns.published, itemColumns.views] : []),
    ],
    [website, videos],
  );
  return (
    <div className={stage.stage}>
      <div className={stage.split}>
        <div className={stage.side}>
          {property && website && <LanguageNotice property={property} />}
          {property && website && <SweepPanel property={property} />}
          {property && !website && <ImportPanel property={property} />}
          <SweepList propertyId={propertyId} />
          {property && website && <SchedulePanel propertyId={propertyId} />}
          {property && website && <ImportPanel property={property} />}
        </div>
        <div className={stage.split} style={{ flexDirection: "column", minWidth: 0 }}>
          <FilterBar propertyId={propertyId} view={view} />
          <div className={stage.table}>
            <Grid
              label="Items"
              columns={columns}
              {...view.grid}
              onCursor={follow}
              empty={
                website
                  ? "No pages yet. Start a sweep on the left; they appear here while it runs."
                  : "Nothing imported yet. Choose a file on the left."
              }
            />
          </div>
        </div>
        {hand !== undefined && (
          <CloseUp
            propertyId={propertyId}
            itemId={hand}
            more={(item) => <CaptureDetails propertyId={propertyId} item={item} />}
            onClose={() => setHand(undefined)}
          />
        )}
      </div>
    </div>
  );
}
