import { count, of, pathOf } from "../../parts/number";
import { PlainTable } from "../../parts/PlainTable";
import { QueryProblem } from "../../parts/QueryProblem";
import css from "../Aim.module.css";
import { Scrolled } from "../Scrolled";
import { useAimSummary } from "../useAimSummary";

const MOST = 200;

/** Queries for which several items are shown in turn: which to keep, and what the others could aim at. */
export function SharedQueries({ propertyId }: { propertyId: number }) {
  const summary = useAimSummary(propertyId);
  if (summary.error) return <QueryProblem query={summary} className={css.line} />;
  const shared = summary.data?.shared ?? [];
  return (
    <>
      <div className={css.line}>
        <h2>{summary.data ? of(shared.length, "query", "queries") : "–"} with several items</h2>
        <span className={css.soft}>
          Search engines show now one, now another. The first of each is the one to keep.
        </span>
      </div>
      <Scrolled label="Queries with several items">
        {summary.data && shared.length === 0 && (
          <p className={css.soft}>
            No items compete for a query. Queries for which several items appear in turn are listed here once there is
            demand.
          </p>
        )}
        {shared.length > 0 && (
          <PlainTable
            head={[
              "impressions a month",
              "query",
              "item",
              "share",
              "position",
              "clicks a month",
              "better query for it",
            ]}
          >
            {shared.slice(0, MOST).map((query) => (
              <tbody key={query.query} className={css.shared}>
                {query.items.map((item, i) => (
                  <tr key={item.itemId}>
                    <td>{i === 0 && count(Math.round(query.shown))}</td>
                    <td>{i === 0 && <strong>{query.query}</strong>}</td>
                    <td>
                      {pathOf(item.address)}
                      {i === 0 && <span className={css.brand}>keep</span>}
                    </td>
                    <td>{Math.round(100 * item.share)}%</td>
                    <td>{item.position.toFixed(1)}</td>
                    <td>{item.clicks.toFixed(1)}</td>
                    <td>{i > 0 && (item.instead || "none")}</td>
                  </tr>
                ))}
              </tbody>
            ))}
          </PlainTable>
        )}
      </Scrolled>
    </>
  );
}
