import type { BetterRow } from "../../api/client";
import { count, day, pathOf, percent } from "../../parts/number";
import { SidePanel } from "../../parts/SidePanel";
import css from "../keywords/KeywordCloseUp.module.css";

/** A better keyword opened to the parts that its worth was made of. */
export function BetterCloseUp({ row, onClose }: { row: BetterRow; onClose: () => void }) {
  const whole = (number: number) => count(Math.round(number));
  return (
    <SidePanel label={`Better keyword ${row.query}`} title={row.query} onClose={onClose}>
      <p className={css.soft}>
        {pathOf(row.address)} has the keyword “{row.aimed}” now.
      </p>
      {row.youngUntil && <p>Too early until {day(row.youngUntil)}: the item has not settled yet.</p>}
      <dl>
        <dt>Impressions a month</dt>
        <dd>{whole(row.shown)}</dd>
        <dt>Position</dt>
        <dd>
          {row.position.toFixed(1)}
          {row.positionBefore >= 1
            ? `; ${row.positionBefore.toFixed(1)} in the thirteen weeks before`
            : "; not seen in the thirteen weeks before"}
        </dd>
        <dt>Within reach</dt>
        <dd>position {row.reachable.toFixed(1)}, half way to the top</dd>
      </dl>
      <h3>What it could bring</h3>
      <dl>
        <dt>Search volume</dt>
        <dd>{whole(row.volume)}</dd>
        <dt>× higher CTR</dt>
        <dd>
          {percent(row.rateReachable)} at position {row.reachable.toFixed(1)} on the click curve, {percent(row.rateNow)}{" "}
          at {row.position.toFixed(1)}
        </dd>
        <dt>× relevance</dt>
        <dd>{row.relevance.toFixed(2)}: how much the item is about it</dd>
        <dt>= clicks a month</dt>
        <dd>
          <strong>{row.gain < 10 ? row.gain.toFixed(1) : whole(row.gain)}</strong>, an estimate
        </dd>
      </dl>
    </SidePanel>
  );
}
