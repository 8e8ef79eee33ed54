import type { KeywordRow } from "../../api/client";
import { count } from "../../parts/number";
import css from "./Trend.module.css";

const monthName = new Intl.DateTimeFormat("en-GB", { month: "long", year: "numeric", timeZone: "UTC" });

/** The month that lies so many months before another, "2026-10". */
function monthBefore(last: string, months: number) {
  const [year, month] = last.split("-").map(Number);
  return new Date(Date.UTC(year, month - 1 - months, 1));
}

/** Searches by month as a small line; the highest month is marked. */
export function Trend({
  row,
  width = 108,
  height = 20,
}: {
  row: Pick<KeywordRow, "monthly" | "lastMonth">;
  width?: number;
  height?: number;
}) {
  const known = row.monthly.filter((value) => value >= 0);
  if (known.length < 3) return null;
  const most = Math.max(...known, 1);
  const step = (width - 6) / (row.monthly.length - 1);
  const points = row.monthly.flatMap((value, i) =>
    value < 0 ? [] : [{ x: 3 + i * step, y: height - 3 - (value / most) * (height - 6), value, i }],
  );
  const peak = points.reduce((best, point) => (point.value > best.value ? point : best));
  const first = points[0];
  const last = points[points.length - 1];
  const when = row.lastMonth
    ? ` in ${monthName.format(monthBefore(row.lastMonth, row.monthly.length - 1 - peak.i))}`
    : "";
  const said = `${count(first.value)} searches in the first of ${row.monthly.length} months, ${count(last.value)} in the last, most ${count(peak.value)}${when}`;
  const line = points.map((point) => `${point.x.toFixed(1)},${point.y.toFixed(1)}`).join(" ");
  return (
    <svg className={css.trend} width={width} height={height} role="img" aria-label={said}>
      <title>{said}</title>
      <polygon points={`${first.x},${height - 1} ${line} ${last.x},${height - 1}`} className={css.area} />
      <polyline points={line} className={css.line} />
      <circle cx={peak.x} cy={peak.y} r={2} className={css.peak} />
    </svg>
  );
}
