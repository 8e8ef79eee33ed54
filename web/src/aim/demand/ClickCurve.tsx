import { useState } from "react";
import type { CurvePoint } from "../../api/client";
import { count, percent } from "../../parts/number";
import css from "./ClickCurve.module.css";

const WIDTH = 620;
const HEIGHT = 280;
const LEFT = 44;
const BOTTOM = 30;
const TOP = 10;

/** Clicks an impression by position, with their spread; a point can be opened to what it was made of. */
export function ClickCurve({ points }: { points: CurvePoint[] }) {
  const [at, setAt] = useState(0);
  const most = Math.max(0.05, ...points.map((point) => point.high));
  const step = most > 0.4 ? 0.2 : most > 0.2 ? 0.1 : 0.05;
  const x = (position: number) => LEFT + ((position - 0.5) * (WIDTH - LEFT - 8)) / points.length;
  const y = (rate: number) => HEIGHT - BOTTOM - (rate / most) * (HEIGHT - BOTTOM - TOP);
  const lines = Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step);
  const band = [
    ...points.map((point) => `${x(point.position)},${y(point.high)}`),
    ...[...points].reverse().map((point) => `${x(point.position)},${y(point.low)}`),
  ].join(" ");
  const open = points[Math.min(at, points.length - 1)];
  return (
    <div className={css.curve}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label="Clicks an impression by position">
        {lines.map((rate) => (
          <g key={rate}>
            <line x1={LEFT} x2={WIDTH - 8} y1={y(rate)} y2={y(rate)} className={css.rule} />
            <text x={LEFT - 8} y={y(rate) + 4} textAnchor="end" className={css.tick}>
              {percent(rate)}
            </text>
          </g>
        ))}
        <polygon points={band} className={css.band} />
        <polyline
          points={points.map((point) => `${x(point.position)},${y(point.rate)}`).join(" ")}
          className={css.line}
        />
        {points.map((point, i) => (
          // biome-ignore lint/a11y/noStaticElementInteractions: the same points are reached with the slider below
          <g key={point.position} onMouseEnter={() => setAt(i)}>
            <rect x={x(point.position) - 13} y={TOP} width={26} height={HEIGHT - BOTTOM - TOP} fill="transparent" />
            <circle
              cx={x(point.position)}
              cy={y(point.rate)}
              r={i === at ? 6 : 4}
              className={point.thin ? css.thin : css.point}
            />
            <text x={x(point.position)} y={HEIGHT - 10} textAnchor="middle" className={css.tick}>
              {point.position}
            </text>
          </g>
        ))}
      </svg>
      <input
        type="range"
        min={0}
        max={points.length - 1}
        value={at}
        aria-label="Position"
        aria-valuetext={`position ${open.position}, ${percent(open.rate)}`}
        onChange={(event) => setAt(Number(event.currentTarget.value))}
        className={css.slider}
      />
      <p>
        <strong>
          Position {open.position}: {percent(open.rate)}
        </strong>{" "}
        CTR, {percent(open.low)} to {percent(open.high)} with 95% certainty. Based on{" "}
        {count(Math.round(open.impressions))} impressions and {count(Math.round(open.clicks))} clicks near it
        {open.thin ? "; that is little, so the neighbouring positions are used too." : "."}
      </p>
    </div>
  );
}
