import { useQuery } from "@tanstack/react-query";
import { useSearchParams } from "react-router";
import { answer, api, type EffectRow } from "../api/client";
import { ofProperty } from "../api/queries";
import { TableLinks } from "../parts/FileLink";
import { LineChart } from "../parts/LineChart";
import { count, day, of, percent } from "../parts/number";
import { PlainTable } from "../parts/PlainTable";
import { QueryProblem } from "../parts/QueryProblem";
import { useSearchChange } from "../parts/useSearchChange";
import css from "./Watch.module.css";

const KINDS: Record<string, string> = {
  release: "Releases",
  field: "Texts",
  check: "Faults fixed",
  section: "Sections",
  set: "Sets",
  batch: "Bulk edits and recipes",
};

const signed = (share: number) => `${share < 0 ? "−" : "+"}${percent(Math.abs(share))}`;
const keyOf = (row: EffectRow) => `${row.kind}:${row.id}`;
const isTold = (row: EffectRow) => row.effect.weeks.length > 0;

/** What every release brought, and every other part of what is live, against items left alone. */
export function EffectsView({ propertyId }: { propertyId: number }) {
  const [search] = useSearchParams();
  const change = useSearchChange();
  const found = useQuery({
    queryKey: ofProperty(propertyId, "watch-effects"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/watch/effects", { params: { path: { propertyId } } })),
  });
  if (found.error) return <QueryProblem query={found} className={css.view} />;
  if (!found.data) return <div className={css.view} aria-busy />;
  const rows = found.data as EffectRow[];
  if (rows.length === 0)
    return (
      <div className={css.view}>
        <header className={css.head}>
          <h1>Nothing was delivered yet</h1>
        </header>
        <p className={css.soft}>
          Once a release is live and some weeks of demand have come in, what it brought stands here: its items against
          comparable ones that were left alone.
        </p>
      </div>
    );
  const shown = rows.find((row) => keyOf(row) === search.get("effect")) ?? rows.find(isTold) ?? rows[0];
  return (
    <div className={css.view}>
      <header className={css.head}>
        <h1>Did it work</h1>
        <p>Rewritten items against comparable ones left alone, before and after.</p>
        <TableLinks csv={`/api/properties/${propertyId}/watch/effects.csv`} />
      </header>
      <div className={css.effects}>
        <nav aria-label="What was changed">
          {Object.entries(KINDS).map(([kind, name]) => {
            const some = rows.filter((row) => row.kind === kind);
            if (some.length === 0) return null;
            return (
              <section key={kind} style={{ display: "grid" }}>
                <h2>{name}</h2>
                {some.map((row) => (
                  <button
                    key={keyOf(row)}
                    type="button"
                    aria-pressed={row === shown}
                    onClick={() => change({ effect: keyOf(row) })}
                  >
                    <b>{row.name}</b>
                    <span>{isTold(row) ? signed(row.effect.clicks.share) : ""}</span>
                    <small>
                      {row.live ? `live since ${day(row.live)}, ` : ""}
                      {verdict(row)}
                    </small>
                  </button>
                ))}
              </section>
            );
          })}
        </nav>
        <EffectFigures row={shown} />
      </div>
    </div>
  );
}

function verdict(row: EffectRow) {
  if (row.oneOfSeveral) return "may be chance";
  return {
    more: "more clicks",
    fewer: "fewer clicks",
    untold: "no telling",
    "too-early": "too early",
    "no-controls": "nothing to compare with",
    "not-live": "not live",
  }[row.effect.verdict];
}

function EffectFigures({ row }: { row: EffectRow }) {
  const { effect } = row;
  const { notYet, young, alone } = effect.notTold;
  const left = [
    notYet > 0 && `${of(notYet, "item")} ${notYet === 1 ? "has" : "have"} been live for too short a time`,
    young > 0 && `${of(young, "item")} ${young === 1 ? "was" : "were"} too young before`,
    alone > 0 && `nothing is comparable to ${of(alone, "item")}`,
  ].filter(Boolean);
  return (
    <section className={css.effect} aria-label={row.name}>
      <p className={css.said}>{sentence(row.words)}</p>
      {isTold(row) && (
        <>
          <Estimated row={row} />
          <PlainTable head={["", "difference", "19 times in 20 between", ""]} right={[1]}>
            <tbody>
              {(["clicks", "rate", "position"] as const).map((figure) => {
                const difference = effect[figure];
                return (
                  <tr key={figure}>
                    <td>
                      {{ clicks: "clicks", rate: "CTR at the same impressions", position: "average position" }[figure]}
                    </td>
                    <td>{signed(difference.share)}</td>
                    <td>
                      {signed(difference.low)} and {signed(difference.high)}
                      {figure === "position" && "; less is higher up"}
                    </td>
                    <td>
                      <Interval {...difference} />
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </PlainTable>
          <LineChart
            label="Clicks by week of the changed items, and what the ones left alone let expect"
            unit="clicks"
            say={(n) => `${count(Math.round(n))} clicks`}
            places={effect.weeks.map(({ week }) =>
              week === 0
                ? "the week it went live"
                : week < 0
                  ? `${of(-week, "week")} before`
                  : `${of(week, "week")} after`,
            )}
            lines={[
              { name: "changed items", values: effect.weeks.map((week) => week.actual), ours: true },
              { name: "expected", values: effect.weeks.map((week) => week.expected), dashes: "5 4" },
            ]}
            band={effect.weeks}
            holes={effect.weeks.map((week) => !week.counted)}
            marks={[{ at: effect.weeks.findIndex(({ week }) => week === 0), text: "live" }]}
            ticks={effect.weeks.flatMap(({ week }, at) => (week % 8 === 0 ? [{ at, text: String(week) }] : []))}
          />
          <p className={css.soft}>
            Whole line: what came. Broken line: what {of(effect.controls, "comparable item")} left alone let expect,
            with the band that chance fills 19 times in 20. Shaded weeks do not count: work was going on, or result
            pages still showed the old texts.
          </p>
        </>
      )}
      {left.length > 0 && <p className={css.soft}>Left out: {left.join("; ")}.</p>}
    </section>
  );
}

/** A number of clicks with a sign as wide as the others. */
const clicks = (value: number) => `${value < 0 ? "−" : "+"}${count(Math.abs(Math.round(value)))}`;

/** What was expected of the release before anybody had seen it, beside what came. */
function Estimated({ row }: { row: EffectRow }) {
  const { estimated } = row;
  if (!estimated) return null;
  const came = row.effect.perMonth;
  return (
    <PlainTable head={["clicks a month", "", "19 times in 20 between"]} right={[1]}>
      <tbody>
        <tr>
          <td>estimated before it was delivered, for an average month of the year</td>
          <td>{clicks(estimated.clicks)}</td>
          <td>
            {clicks(estimated.low)} and {clicks(estimated.high)}
          </td>
        </tr>
        <tr>
          <td>came, in the weeks since</td>
          <td>{clicks(came.clicks)}</td>
          <td>
            {clicks(came.low)} and {clicks(came.high)}
          </td>
        </tr>
      </tbody>
    </PlainTable>
  );
}

/** Words from the server as a sentence. */
const sentence = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;

/** An interval on a scale that has no difference in its middle. */
function Interval({ share, low, high }: { share: number; low: number; high: number }) {
  const most = Math.max(0.2, Math.abs(low), Math.abs(high));
  const at = (value: number) => `${50 + (value / most) * 48}%`;
  return (
    <span className={css.interval} aria-hidden>
      <i style={{ left: at(low), width: `${((high - low) / most) * 48}%` }} />
      <u style={{ left: at(share) }} />
      <s style={{ left: "50%" }} />
    </span>
  );
}
