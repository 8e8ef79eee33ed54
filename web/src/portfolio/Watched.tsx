import { useQueries, useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, api, type WatchSummary } from "../api/client";
import { ofProperty } from "../api/queries";
import { count, of, percent } from "../parts/number";
import css from "./Portfolio.module.css";

const WIDTH = 120;
const HEIGHT = 28;

/** Each row asks for its own, so that the first page is there at once however many properties there are. */
const summaryOf = (propertyId: number) => ({
  queryKey: ofProperty(propertyId, "watch-summary"),
  queryFn: () => answer(api.GET("/api/properties/{propertyId}/watch/summary", { params: { path: { propertyId } } })),
});

const useSummary = (propertyId: number) => useQuery(summaryOf(propertyId)).data as WatchSummary | undefined;

/** How much there is to look at in each property, by its id; undefined until all have said so. */
export function useToLookAt(propertyIds: number[]) {
  return useQueries({
    queries: propertyIds.map(summaryOf),
    combine: (summaries) =>
      summaries.some((each) => each.isPending)
        ? undefined
        : new Map(propertyIds.map((id, i) => [id, (summaries[i].data?.due ?? 0) + (summaries[i].data?.moves ?? 0)])),
  });
}

/** The clicks of sixteen months as a line, and how they stand against last year. */
export function WatchedCells({ propertyId }: { propertyId: number }) {
  const summary = useSummary(propertyId);
  const weeks = summary?.weeks.filter((week) => week.whole) ?? [];
  const clicks = weeks.map((week) => week.figures?.clicks ?? 0);
  const most = Math.max(1, ...clicks);
  const line = clicks
    .map(
      (n, i) =>
        `${((i / Math.max(1, clicks.length - 1)) * WIDTH).toFixed(1)},${(HEIGHT - 2 - (n / most) * (HEIGHT - 4)).toFixed(1)}`,
    )
    .join(" ");
  const versus = summary?.lastYear;
  return (
    <>
      <td className={css.spark}>
        {clicks.length > 1 ? (
          <Link to={`/p/${propertyId}/watch`}>
            <svg
              viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
              role="img"
              aria-label={`Clicks by week, at most ${count(most)}, ${count(clicks[clicks.length - 1])} in the last`}
            >
              <polyline points={line} />
            </svg>
          </Link>
        ) : (
          "–"
        )}
      </td>
      <td>{versus == null ? "–" : `${versus < 0 ? "−" : "+"}${percent(Math.abs(versus))}`}</td>
    </>
  );
}

/** What needs somebody: what is due, and what moved. */
export function ToLookAt({ propertyId }: { propertyId: number }) {
  const summary = useSummary(propertyId);
  if (!summary || summary.due + summary.moves === 0) return "–";
  return (
    <span className={css.look}>
      {summary.due > 0 && (
        <Link to={`/p/${propertyId}/watch?view=due`} title={summary.firstDue}>
          {count(summary.due)} due
        </Link>
      )}
      {summary.moves > 0 && <Link to={`/p/${propertyId}/watch?view=moves&weeks=8`}>{of(summary.moves, "move")}</Link>}
    </span>
  );
}
