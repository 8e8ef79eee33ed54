import { count, day, of } from "../../parts/number";
import { QueryProblem } from "../../parts/QueryProblem";
import stage from "../../parts/stage.module.css";
import css from "../Aim.module.css";
import { useAimSummary } from "../useAimSummary";
import { ClickCurve } from "./ClickCurve";
import { FetchDemand } from "./FetchDemand";

/** What the demand is made of, where it comes from, and the click curve that was fitted to it. */
export function CurveView({ propertyId }: { propertyId: number }) {
  const summary = useAimSummary(propertyId);
  const data = summary.data;
  if (summary.error) return <QueryProblem query={summary} className={css.line} />;
  return (
    <div className={css.demand}>
      <FetchDemand propertyId={propertyId} />
      {data && data.rows === 0 && (
        <p className={stage.soft}>
          No demand is known yet. Clicks, impressions and positions by item, query and week are fetched from a reporting
          service, or imported from a file under Gather. Until then the click curve is a default.
        </p>
      )}
      {data && data.rows > 0 && (
        <section className={stage.block}>
          <h2>
            {count(data.rows)} rows of demand, the last of {day(data.to)}
          </h2>
          <p>
            Figures are of the thirteen weeks from {day(data.from)} to {day(data.to)}, compared with the thirteen weeks
            before.
            {data.missingDays > 0 &&
              ` ${of(data.missingDays, "day")} of them ${data.missingDays === 1 ? "is" : "are"} in no row.`}
          </p>
          <Odd n={data.elsewhere} what="for addresses that are not items; they are kept and counted separately" />
          <Odd
            n={data.withoutPosition}
            what="without a position of 1 or more; their clicks count, but not for the curve"
          />
          <Odd
            n={data.tooManyClicks}
            what="with more clicks than impressions; the curve takes as many clicks as impressions"
          />
        </section>
      )}
      {data && data.points.length > 0 && (
        <section className={stage.block}>
          <h2>The click curve</h2>
          <p className={stage.soft}>CTR by position: {data.curve}. Queries for the brand are left out.</p>
          <ClickCurve points={data.points} />
        </section>
      )}
    </div>
  );
}

function Odd({ n, what }: { n: number; what: string }) {
  return n === 0 ? null : (
    <p className={stage.soft}>
      {of(n, "row")} {what}.
    </p>
  );
}
