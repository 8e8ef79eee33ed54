import { useCallback, useState } from "react";
import type { DemandRow } from "../../api/client";
import { TableLinks } from "../../parts/FileLink";
import { type Column, Grid } from "../../parts/Grid";
import { count, day, of, pathOf } from "../../parts/number";
import stage from "../../parts/stage.module.css";
import aim from "../Aim.module.css";
import { DemandCloseUp } from "./DemandCloseUp";
import { change, DemandFigures } from "./DemandFigures";
import { DemandFilters } from "./DemandFilters";
import css from "./DemandView.module.css";
import { FetchDemand } from "./FetchDemand";
import { useDemand, useDemandWindow } from "./useDemand";
import { WeekChart } from "./WeekChart";

const figure = (
  key: string,
  label: string,
  track: string,
  text: (row: DemandRow) => string,
  soft = false,
): Column<DemandRow> => ({
  key,
  label,
  track,
  sort: key,
  right: true,
  text,
  cell: (row) => (soft ? <span className={aim.soft}>{text(row)}</span> : text(row)),
});

function columns(side: "items" | "queries", hasYear: boolean): Column<DemandRow>[] {
  return [
    {
      key: "text",
      label: side === "items" ? "item" : "query",
      track: "minmax(200px, 1.6fr)",
      sort: "text",
      text: (row) => row.text,
      cell: (row) => (
        <span className={aim.cut}>
          {pathOf(row.text) || "no address named"}
          {side === "items" && row.itemId === null && <span className={aim.brand}>no item</span>}
        </span>
      ),
    },
    figure("clicks", "clicks", "76px", (row) => count(row.now.clicks)),
    figure("clicks-change", "vs before", "88px", (row) => change(row.now.clicks, row.before.clicks), true),
    ...(hasYear
      ? [
          figure(
            "clicks-year",
            "vs last year",
            "138px",
            (row) => (row.yearBefore === null ? "" : change(row.now.clicks, row.yearBefore.clicks)),
            true,
          ),
        ]
      : []),
    figure("impressions", "impressions", "96px", (row) => count(row.now.impressions)),
    figure(
      "impressions-change",
      "vs before",
      "88px",
      (row) => change(row.now.impressions, row.before.impressions),
      true,
    ),
    figure("rate", "CTR", "72px", (row) => (row.now.impressions === 0 ? "" : `${(100 * row.now.rate).toFixed(1)}%`)),
    figure("position", "position", "86px", (row) => (row.now.position < 1 ? "" : row.now.position.toFixed(1))),
    {
      key: "position-before",
      label: "position before",
      track: "118px",
      right: true,
      text: (row) => (row.before.position < 1 ? "" : row.before.position.toFixed(1)),
      cell: (row) => <span className={aim.soft}>{row.before.position < 1 ? "" : row.before.position.toFixed(1)}</span>,
    },
  ];
}

/** What search engines report, over a window that can be chosen, against the one before and the year before. */
export function DemandView({ propertyId }: { propertyId: number }) {
  const demand = useDemand(propertyId);
  const window = useDemandWindow(propertyId, demand.filter);
  const [hand, setHand] = useState<DemandRow>();
  const follow = useCallback(
    (row: DemandRow | undefined, again: boolean) => row && setHand((now) => (again && !now ? now : row)),
    [],
  );
  const data = window.data;
  if (data && data.lastDay === "") {
    return (
      <div className={aim.demand}>
        <FetchDemand propertyId={propertyId} />
        <p className={stage.soft}>
          No demand yet. Fetch or import it to see clicks, impressions and average positions of every item and query,
          over any window of weeks. They are fetched from a reporting service, or imported from a file under Gather.
        </p>
      </div>
    );
  }
  const side = demand.of;
  return (
    <>
      <div className={css.head}>
        <DemandFilters demand={demand} window={data} />
        <TableLinks csv={demand.csv} />
      </div>
      {window.error && !demand.rows.problem && <p className={css.note}>{window.error.message}</p>}
      {data && !window.error && (
        <div className={css.summary}>
          <WeekChart weeks={data.weeks} first={data.first} last={data.last} />
          <div>
            <DemandFigures window={data} />
            <p className={css.note}>
              {day(data.first)} to {day(data.last)}.
              {data.missing > 0 && ` ${of(data.missing, "day")} of it ${data.missing === 1 ? "is" : "are"} in no row.`}
              {data.missingBefore > 0 && ` Of the one before, ${of(data.missingBefore, "day")}.`}
            </p>
          </div>
        </div>
      )}
      <div className={stage.split}>
        <div className={stage.table}>
          <Grid
            label={side === "items" ? "Demand by item" : "Demand by query"}
            columns={columns(side, data?.yearBefore !== null)}
            rows={demand.rows}
            idOf={(row) => row.id}
            sort={demand.by}
            desc={demand.desc}
            onSort={demand.sortBy}
            onCursor={follow}
            empty="Nothing is reported of this in the window or before it."
          />
        </div>
        {hand && (
          <DemandCloseUp
            key={side}
            propertyId={propertyId}
            row={hand}
            side={side}
            filter={demand.filter}
            onClose={() => setHand(undefined)}
          />
        )}
      </div>
    </>
  );
}
