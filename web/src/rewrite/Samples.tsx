import type { Figures } from "../api/client";
import { count, of } from "../parts/number";
import { TrueMeasure } from "../parts/TrueMeasure";
import css from "./Rewrite.module.css";

const RESULT: Record<string, string> = {
  shortened: "shortened",
  "lacks-source": "lacked a source",
  "told-apart": "told apart",
  alike: "left: the same as another",
};

/** What an edit would do, in words. */
export function Verdict({ figures, field }: { figures: Figures; field: string }) {
  const thing = field === "tags" ? "tag set" : field;
  const parts = [
    [figures.shortened, "shortened or without a part"],
    [figures.lacking, "lacked a source for a part"],
    [figures.toldApart, "told apart by one more part"],
    [figures.alike, "left, to be no copy of another"],
    [figures.nothing, "left, with nothing to be made of"],
    [figures.kept, "kept as is"],
    [figures.runaway, "left out: the regular expression tries too many ways"],
  ].filter(([n]) => Number(n) > 0) as [number, string][];
  const fitting = figures.fitting === figures.changes ? "all" : count(figures.fitting);
  const shares = figures.changes > 0;
  return (
    <div className={css.verdict} role="status">
      <p>
        {!figures.complete && `${count(figures.done)} of ${of(figures.of, "item")} looked at: `}
        <strong>{of(figures.changes, thing)}</strong>
        {shares ? ` would change, ${fitting} of them fit` : " would change"}
        {figures.unchanged > 0 ? `; ${count(figures.unchanged)} stay the same.` : "."}
      </p>
      {parts.length > 0 && (
        <p className={css.detail}>{`${parts.map(([n, what]) => `${count(n)} ${what}`).join("; ")}.`}</p>
      )}
    </div>
  );
}

/** Before and after, for some of the items. */
export function Samples({ figures }: { figures: Figures }) {
  return (
    <ol className={css.samples} aria-label="Before and after">
      {figures.rows.map((row) => (
        <li key={row.itemId}>
          <span className={css.was}>{row.before || "none"}</span>
          <span className={css.becomes}>
            {row.fit ? (
              <TrueMeasure text={row.after} fit={row.fit} size={row.fit.desktopLines > 1 ? 12 : 13} />
            ) : (
              row.after
            )}
            {row.fit?.says && <em> {row.fit.says}</em>}
            {RESULT[row.result] && <small> {RESULT[row.result]}</small>}
          </span>
        </li>
      ))}
    </ol>
  );
}
