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
  { label: "CTR", of: (reported) => percent(reported.rate) },
  { label: "average position", of: (reported) => place(reported.position) },
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
          <th scope="row">this window</th>
          {FIGURES.map((figure) => (
            <td key={figure.label}>{figure.of(window.now)}</td>
          ))}
        </tr>
        <tr>
          <th scope="row">window before</th>
          {FIGURES.map((figure) => (
            <td key={figure.label}>{figure.of(window.before)}</td>
          ))}
        </tr>
        <tr>
          <th scope="row">last year</th>
          {window.yearBefore === null ? (
            <td colSpan={FIGURES.length} className={css.unknown}>
              no data
            </td>
          ) : (
            FIGURES.map((figure) => <td key={figure.label}>{figure.of(window.yearBefore as DemandReported)}</td>)
          )}
        </tr>
      </tbody>
    </table>
  );
}
