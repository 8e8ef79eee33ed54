import type { DemandReported, DemandWindow } from "../../api/client";
import { count, percent } from "../../parts/number";
import css from "./DemandView.module.css";

const place = (position: number) => (position < 1 ? "not known" : position.toFixed(1));

/** "+120", "−40" or "as before". */
export function change(now: number, before: number) {
  const by = now - before;
  return by === 0 ? "0" : `${by > 0 ? "+" : "−"}${count(Math.abs(by))}`;
}

const FIGURES: { label: string; of: (reported: DemandReported) => string }[] = [
  { label: "clicks", of: (reported) => count(reported.clicks) },
  { label: "impressions", of: (reported) => count(reported.impressions) },
  { label: "clicks of those shown", of: (reported) => percent(reported.rate) },
  { label: "mean position", of: (reported) => place(reported.position) },
];

/** The sums of a window beside those of the one before and of the year before. */
export function DemandFigures({ window }: { window: DemandWindow }) {
  return (
    <table className={css.figures}>
      <thead>
        <tr>
          <td />
          {FIGURES.map((figure) => (
            <th key={figure.label} scope="col">
              {figure.label}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        <tr className={css.now}>
          <th scope="row">in the window</th>
          {FIGURES.map((figure) => (
            <td key={figure.label}>{figure.of(window.now)}</td>
          ))}
        </tr>
        <tr>
          <th scope="row">in the one before</th>
          {FIGURES.map((figure) => (
            <td key={figure.label}>{figure.of(window.before)}</td>
          ))}
        </tr>
        <tr>
          <th scope="row">a year before</th>
          {window.yearBefore === null ? (
            <td colSpan={FIGURES.length} className={css.unknown}>
              nothing is reported of it
            </td>
          ) : (
            FIGURES.map((figure) => <td key={figure.label}>{figure.of(window.yearBefore as DemandReported)}</td>)
          )}
        </tr>
      </tbody>
    </table>
  );
}
