import { useElementSize } from "@mantine/hooks";
import { useState } from "react";
import css from "./LineChart.module.css";
import { PlainTable } from "./PlainTable";

export interface ChartLine {
  name: string;
  /** One for each place; null where nothing is known. */
  values: (number | null)[];
  /** The one that the picture is about. */
  ours?: boolean;
  /** How its line is broken: "6 4"; whole where it is not given. */
  dashes?: string;
}

export interface ChartMark {
  at: number;
  text: string;
}

interface Props {
  /** What the places are called: a week, a day. */
  places: string[];
  lines: ChartLine[];
  /** What the values are of, as in "1,204 clicks". */
  unit: string;
  say: (value: number) => string;
  /** Small values stand at the top, as positions do. */
  upsideDown?: boolean;
  band?: { low: number; high: number }[];
  /** Stretches that do not count, or of which nothing is known. */
  holes?: boolean[];
  marks?: ChartMark[];
  /** What stands at the places along the bottom. */
  ticks?: { at: number; text: string }[];
  height?: number;
  label: string;
}

/** Until the place is measured. */
const WIDTH = 920;
const LEFT = 52;
const FOOT = 18;
const TOP = 18;
const FLAG = 11;

/** Round values that divide a scale into about four. */
function steps(low: number, high: number) {
  const rough = Math.max(1e-9, (high - low) / 4);
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 5, 10].map((times) => times * power).find((each) => each >= rough) ?? power;
  const all: number[] = [];
  for (let at = Math.ceil(low / step) * step; at <= high + step / 1e6; at += step) all.push(at);
  return all;
}

/** A flag on the right of its pole; on the left where the picture ends. */
function flag(x: number, y: number, width: number) {
  const side = x + FLAG > width ? -1 : 1;
  return `M${x} ${y}h${side * FLAG}l${side * -3} 4l${side * 3} 4h${side * -FLAG}z`;
}

/** Lines over time that can be read by pointing, with the arrow keys, and as a table. */
export function LineChart({
  places,
  lines,
  unit,
  say,
  upsideDown,
  band,
  holes,
  marks = [],
  ticks,
  height = 260,
  label,
}: Props) {
  const [at, setAt] = useState<number>();
  const { ref, width: measured } = useElementSize<HTMLElement>();
  const width = measured || WIDTH;
  const [asTable, setAsTable] = useState(false);
  const known = lines.flatMap((line) => line.values.filter((value) => value !== null));
  if (places.length < 2 || known.length === 0) return null;
  const all = band ? [...known, ...band.map((each) => each.high)] : known;
  const low = upsideDown ? Math.max(0, Math.min(...all) - 1) : 0;
  const high = Math.max(...all, low + 1) * (upsideDown ? 1 : 1.06);
  const step = (width - LEFT) / places.length;
  const x = (place: number) => LEFT + (place + 0.5) * step;
  const y = (value: number) => {
    const share = (value - low) / (high - low);
    return TOP + (height - FOOT - TOP) * (upsideDown ? share : 1 - share);
  };
  const path = (values: (number | null)[]) =>
    values
      .map((value, i) => (value === null ? "" : `${i === 0 || values[i - 1] === null ? "M" : "L"}${x(i)} ${y(value)}`))
      .join("");
  const point = (event: React.MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const place = (((event.clientX - box.left) / box.width) * width - LEFT) / step;
    setAt(Math.max(0, Math.min(places.length - 1, Math.floor(place))));
  };
  const turn = (event: React.KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    setAt((now) => Math.max(0, Math.min(places.length - 1, now === undefined ? places.length - 1 : now + by)));
  };
  const shown = (i: number) =>
    lines
      .map((line) => {
        const value = line.values[i];
        return `${lines.length > 1 ? `${line.name}: ` : ""}${value == null ? "nothing reported" : say(value)}`;
      })
      .join(" · ");
  const there = at === undefined ? [] : marks.filter((mark) => mark.at === at);
  return (
    <figure className={css.chart} ref={ref}>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        tabIndex={0}
        aria-label={`${label}. The arrow keys go from point to point.`}
        onMouseMove={point}
        onMouseLeave={() => setAt(undefined)}
        onKeyDown={turn}
      >
        {holes?.map(
          (hole, i) =>
            hole && (
              <rect
                key={places[i]}
                x={x(i) - step / 2}
                y={TOP}
                width={step}
                height={height - FOOT - TOP}
                className={css.hole}
              />
            ),
        )}
        {steps(low, high).map((value) => (
          <g key={value}>
            <line x1={LEFT} x2={width} y1={y(value)} y2={y(value)} className={css.grid} />
            <text x={LEFT - 8} y={y(value) + 4} textAnchor="end" className={css.tick}>
              {say(value).replace(/ [a-z].*$/, "")}
            </text>
          </g>
        ))}
        {band && (
          <path
            d={`${band.map((each, i) => `${i === 0 ? "M" : "L"}${x(i)} ${y(each.high)}`).join("")}${band
              .map((each, i) => `L${x(i)} ${y(each.low)}`)
              .reverse()
              .join("")}Z`}
            className={css.band}
          />
        )}
        {marks.map((mark) => (
          <g key={`${mark.at} ${mark.text}`}>
            <line x1={x(mark.at)} x2={x(mark.at)} y1={TOP - 12} y2={height - FOOT} className={css.mark} />
            <path d={flag(x(mark.at), TOP - 12, width)} className={css.flag}>
              <title>{mark.text}</title>
            </path>
          </g>
        ))}
        {lines.map((line) => (
          <path
            key={line.name}
            d={path(line.values)}
            className={css.line}
            data-ours={line.ours}
            strokeDasharray={line.dashes}
          />
        ))}
        <line x1={LEFT} x2={width} y1={height - FOOT} y2={height - FOOT} className={css.ground} />
        {(ticks ?? [0, places.length - 1].map((i) => ({ at: i, text: places[i] }))).map((tick, i, every) => (
          <text
            key={tick.at}
            x={i === every.length - 1 && !ticks ? width : x(tick.at)}
            y={height - 4}
            textAnchor={ticks ? "middle" : i === 0 ? "start" : "end"}
            className={css.tick}
          >
            {tick.text}
          </text>
        ))}
        {at !== undefined && (
          <>
            <line x1={x(at)} x2={x(at)} y1={TOP} y2={height - FOOT} className={css.cursor} />
            {lines.map((line) => {
              const value = line.values[at];
              return value == null ? null : (
                <circle key={line.name} cx={x(at)} cy={y(value)} r={3.5} className={css.point} />
              );
            })}
          </>
        )}
      </svg>
      <figcaption aria-live="polite">
        {at === undefined ? label : `${places[at]}: ${shown(at)}${there.map((mark) => ` · ${mark.text}`).join("")}`}
      </figcaption>
      <details onToggle={(event) => setAsTable(event.currentTarget.open)}>
        <summary>As a table</summary>
        {asTable && (
          <div className={css.table}>
            <PlainTable
              dense
              head={["from", ...lines.map((line) => (lines.length > 1 ? line.name : unit))]}
              right={lines.map((_, i) => i + 1)}
            >
              <tbody>
                {places.map((place, i) => (
                  <tr key={place}>
                    <td>{place}</td>
                    {lines.map((line) => {
                      const value = line.values[i];
                      return <td key={line.name}>{value == null ? "–" : say(value)}</td>;
                    })}
                  </tr>
                ))}
              </tbody>
            </PlainTable>
          </div>
        )}
      </details>
    </figure>
  );
}
