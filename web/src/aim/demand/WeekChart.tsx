import { useState } from "react";
import type { DemandWeek } from "../../api/client";
import { count, day } from "../../parts/number";
import css from "./WeekChart.module.css";

const HEIGHT = 96;
const FOOT = 16;

/** Clicks by week; the window that is looked at stands out, and a week is read by pointing at it. */
export function WeekChart({
  weeks,
  first,
  last,
  width = 620,
}: {
  weeks: DemandWeek[];
  first: string;
  last: string;
  width?: number;
}) {
  const [at, setAt] = useState<number>();
  if (weeks.length < 2) return null;
  const most = Math.max(1, ...weeks.map((week) => week.clicks));
  const step = width / weeks.length;
  const y = (clicks: number) => HEIGHT - FOOT - 2 - (clicks / most) * (HEIGHT - FOOT - 8);
  const inside = (week: DemandWeek) => week.first >= first && week.first <= last;
  const from = weeks.findIndex(inside);
  const to = weeks.findLastIndex(inside);
  const line = weeks.map((week, i) => `${((i + 0.5) * step).toFixed(1)},${y(week.clicks).toFixed(1)}`).join(" ");
  const open = at === undefined ? undefined : weeks[Math.min(at, weeks.length - 1)];
  const best = weeks.reduce((a, b) => (b.clicks > a.clicks ? b : a));
  const point = (event: React.MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    setAt(Math.max(0, Math.min(weeks.length - 1, Math.floor(((event.clientX - box.left) / box.width) * weeks.length))));
  };
  return (
    <figure className={css.chart}>
      <svg
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="img"
        aria-label={`Clicks by week, ${weeks.length} weeks; most ${count(best.clicks)} in the week from ${day(best.first)}`}
        onMouseMove={point}
        onMouseLeave={() => setAt(undefined)}
      >
        {from >= 0 && (
          <rect x={from * step} y={0} width={(to - from + 1) * step} height={HEIGHT - FOOT} className={css.window} />
        )}
        <line x1={0} x2={width} y1={HEIGHT - FOOT} y2={HEIGHT - FOOT} className={css.ground} />
        <polyline points={line} className={css.line} />
        {at !== undefined && open && <circle cx={(at + 0.5) * step} cy={y(open.clicks)} r={4} className={css.point} />}
        <text x={0} y={HEIGHT - 2} className={css.tick}>
          {day(weeks[0].first)}
        </text>
        <text x={width} y={HEIGHT - 2} textAnchor="end" className={css.tick}>
          {day(weeks[weeks.length - 1].first)}
        </text>
      </svg>
      <figcaption>
        {open
          ? `Week from ${day(open.first)}: ${count(open.clicks)} clicks, ${count(open.impressions)} impressions${
              open.position < 1 ? "" : `, at position ${open.position.toFixed(1)}`
            }.`
          : `Clicks by week, at most ${count(best.clicks)}.`}
      </figcaption>
    </figure>
  );
}
