import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, api, type DemandRow } from "../../api/client";
import { ofProperty } from "../../api/queries";
import { count, pathOf } from "../../parts/number";
import { SidePanel } from "../../parts/SidePanel";
import { searchOf } from "../../parts/searchOf";
import css from "../keywords/KeywordCloseUp.module.css";
import { DemandFigures } from "./DemandFigures";
import { type DemandFilter, useDemandWindow } from "./useDemand";
import { WeekChart } from "./WeekChart";

const MOST = 12;

/** One query with the items it was shown with, or one item with its queries; week by week and by country. */
export function DemandCloseUp({
  propertyId,
  row,
  side,
  filter,
  onClose,
}: {
  propertyId: number;
  row: DemandRow;
  side: "items" | "queries";
  filter: DemandFilter;
  onClose: () => void;
}) {
  const own: DemandFilter =
    side === "queries" ? { ...filter, query: row.text } : { ...filter, item: row.itemId ?? undefined };
  const known = side === "queries" || row.itemId !== null;
  const window = useDemandWindow(propertyId, own);
  const other = side === "queries" ? "items" : "queries";
  const parts = useQuery({
    queryKey: ofProperty(propertyId, "demand-parts", own, other),
    enabled: known,
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/properties/{propertyId}/demand/rows", {
          params: { path: { propertyId }, query: { ...own, side: other, sort: "impressions", count: MOST } },
          signal,
        }),
      ),
  });
  const name = row.text || "no address named";
  return (
    <SidePanel label={`Demand of ${name}`} title={side === "items" ? pathOf(name) : name} onClose={onClose}>
      {!known && <p className={css.soft}>No item of the property has this address. Its demand is kept and counted.</p>}
      {known && window.data && (
        <>
          <WeekChart weeks={window.data.weeks} first={window.data.first} last={window.data.last} width={332} />
          <DemandFigures window={window.data} />
        </>
      )}
      {side === "items" && row.itemId !== null && (
        <p>
          <Link to={`/p/${propertyId}/rewrite?${searchOf({ q: row.text })}`}>Open in Rewrite</Link>
        </p>
      )}
      {side === "queries" && (
        <p>
          <Link to={`/p/${propertyId}/aim?${searchOf({ q: row.text })}`}>Look for it among the keywords</Link>
        </p>
      )}
      {known && (
        <>
          <h3>{side === "queries" ? "Items shown for it" : "Its queries"}</h3>
          <ol className={css.homes} aria-busy={parts.isPending}>
            {parts.data?.rows.map((part) => (
              <li key={part.id}>
                <span className={css.address} title={part.text}>
                  {pathOf(part.text) || "no address named"}
                </span>
                <span className={css.score}>{count(part.now.clicks)}</span>
                <span className={css.why}>
                  {count(part.now.impressions)} impressions
                  {part.now.position >= 1 && ` at position ${part.now.position.toFixed(1)}`}
                  {part.before.position >= 1 && `, ${part.before.position.toFixed(1)} in the window before`}
                </span>
              </li>
            ))}
          </ol>
          {parts.data && parts.data.total > MOST && (
            <p className={css.soft}>and {count(parts.data.total - MOST)} more.</p>
          )}
        </>
      )}
    </SidePanel>
  );
}
