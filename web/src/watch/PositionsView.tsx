import { useElementSize } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useLocation } from "react-router";
import { answer, api, type Positions } from "../api/client";
import { ofProperty } from "../api/queries";
import { count, day, of } from "../parts/number";
import { PlainTable } from "../parts/PlainTable";
import { QueryProblem } from "../parts/QueryProblem";
import css from "./Watch.module.css";

const BANDS = ["at 1", "at 2 to 3", "at 4 to 10", "at 11 to 20", "beyond"];
const FILLS = ["var(--plum)", "var(--plum)", "var(--plum)", "var(--rule-strong)", "var(--rule)"];
const OPACITY = [1, 0.66, 0.36, 0.8, 1];
/** Until the place is measured. */
const WIDTH = 920;
const HEIGHT = 240;
const FOOT = 18;

/** How many queries stand where over time, and which came to the first page or left it. */
export function PositionsView({ propertyId }: { propertyId: number }) {
  const found = useQuery({
    queryKey: ofProperty(propertyId, "watch-positions"),
    queryFn: () =>
      answer(api.GET("/api/properties/{propertyId}/watch/positions", { params: { path: { propertyId } } })),
  });
  if (found.error) return <QueryProblem query={found} className={css.view} />;
  if (!found.data) return <div className={css.view} aria-busy />;
  const { weeks, won, lost } = found.data;
  return (
    <div className={css.view}>
      <header className={css.head}>
        <h1>Where queries stand</h1>
        <p>Queries without the brand that were shown at least 20 times, by their average position in a week.</p>
      </header>
      {weeks.length < 2 ? <p className={css.soft}>No positions are reported yet.</p> : <Bands weeks={weeks} />}
      <div className={css.two}>
        <Moved name="Won" what="came to the first page" queries={won} />
        <Moved name="Lost" what="left the first page" queries={lost} />
      </div>
    </div>
  );
}

function Bands({ weeks }: { weeks: Positions["weeks"] }) {
  const [at, setAt] = useState<number>();
  const { ref, width: measured } = useElementSize<HTMLElement>();
  const width = measured || WIDTH;
  const sum = (queries: number[]) => queries.reduce((a, b) => a + b, 0);
  const most = Math.max(1, ...weeks.map((week) => sum(week.queries)));
  const step = width / weeks.length;
  const shown = weeks[at ?? weeks.length - 1];
  const said = BANDS.map((band, i) => `${count(shown.queries[i])} ${band}`).join(", ");
  return (
    <figure style={{ margin: 0 }} ref={ref}>
      <svg
        className={css.bands}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="img"
        tabIndex={0}
        aria-label={`Queries by position and week. Week from ${day(shown.first)}: ${said}`}
        onMouseMove={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          setAt(
            Math.min(
              weeks.length - 1,
              Math.max(0, Math.floor(((event.clientX - box.left) / box.width) * weeks.length)),
            ),
          );
        }}
        onMouseLeave={() => setAt(undefined)}
        onKeyDown={(event) => {
          const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
          if (by) setAt((now) => Math.max(0, Math.min(weeks.length - 1, (now ?? weeks.length - 1) + by)));
        }}
      >
        {weeks.map((week, i) => {
          let below = 0;
          return week.queries.map((queries, band) => {
            const height = (queries / most) * (HEIGHT - FOOT - 4);
            below += height;
            return (
              <rect
                key={BANDS[band]}
                x={i * step}
                y={HEIGHT - FOOT - below}
                width={step}
                height={height}
                fill={FILLS[band]}
                opacity={OPACITY[band] * (at === undefined || at === i ? 1 : 0.7)}
              />
            );
          });
        })}
        <text x={0} y={HEIGHT - 4} fontSize="12" fill="var(--ink-soft)">
          {day(weeks[0].first)}
        </text>
        <text x={width} y={HEIGHT - 4} fontSize="12" textAnchor="end" fill="var(--ink-soft)">
          {day(weeks[weeks.length - 1].first)}
        </text>
      </svg>
      <figcaption className={css.soft}>
        Week from {day(shown.first)}: {said}. The darker, the higher up.
      </figcaption>
    </figure>
  );
}

function Moved({ name, what, queries }: { name: string; what: string; queries: Positions["won"] }) {
  const { pathname } = useLocation();
  const place = (position: number) => (position < 1 ? "–" : position.toFixed(1));
  return (
    <section>
      <h2>
        {name}: {of(queries.length, "query", "queries")} {what}
      </h2>
      {queries.length === 0 ? (
        <p className={css.soft}>None in the last four weeks, against the four before.</p>
      ) : (
        <PlainTable dense head={["query", "before", "now", "impressions"]} right={[1, 2, 3]}>
          <tbody>
            {queries.map((each) => (
              <tr key={each.query}>
                <td>
                  <Link to={`${pathname}?view=course&figure=position&of=${encodeURIComponent(`query:${each.query}`)}`}>
                    {each.query}
                  </Link>
                </td>
                <td>{place(each.before)}</td>
                <td>{place(each.now)}</td>
                <td>{count(each.impressions)}</td>
              </tr>
            ))}
          </tbody>
        </PlainTable>
      )}
    </section>
  );
}
