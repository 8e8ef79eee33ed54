import type { Figures } from "../api/client";
import { fieldLabel } from "../parts/fields";
import { count, of } from "../parts/number";
import css from "./Rewrite.module.css";

/** Items that came out alike in a preview; the desk can be narrowed to them. */
export type Outcome = "changed" | "too-long" | "shortened" | "told-apart" | "left";

const OUTCOMES: { outcome: Outcome; label: string; n: (figures: Figures) => number }[] = [
  { outcome: "changed", label: "changed", n: (f) => f.changes },
  { outcome: "too-long", label: "too long", n: (f) => f.changes - f.fitting },
  { outcome: "shortened", label: "a part left out or shortened", n: (f) => f.shortened + f.lacking },
  { outcome: "told-apart", label: "told apart", n: (f) => f.toldApart },
  { outcome: "left", label: "left as they are", n: (f) => f.alike + f.nothing + f.kept + f.runaway },
];

interface Props {
  figures: Figures;
  field: string;
  /** what the desk is narrowed to */
  outcome: Outcome | undefined;
  onOutcome: (outcome: Outcome | undefined) => void;
}

/** What an edit would do, in words; each count narrows the desk to its items. */
export function Verdict({ figures, field, outcome, onOutcome }: Props) {
  const things: Record<string, string> = { tags: "tag set", indexing: "page", images: "page", links: "page" };
  const thing = things[field] ?? fieldLabel(field);
  const fitting = figures.fitting === figures.changes ? "all" : count(figures.fitting);
  const parts = [
    [figures.shortened, "shortened or without a part"],
    [figures.lacking, "lacked a source for a part"],
    [figures.toldApart, "told apart by one more part"],
    [figures.alike, "left, to be no copy of another"],
    [figures.nothing, "left, with nothing to be made of"],
    [figures.kept, "kept as is"],
    [figures.runaway, "left out: the regular expression tries too many ways"],
  ].filter(([n]) => Number(n) > 0) as [number, string][];
  const shown = OUTCOMES.filter((each) => each.n(figures) > 0 || each.outcome === outcome);
  return (
    <div className={css.verdict} role="status">
      <p>
        {!figures.complete && `${count(figures.done)} of ${of(figures.of, "item")} looked at: `}
        <strong>{of(figures.changes, thing)}</strong>
        {figures.changes > 0 ? ` would change, ${fitting} of them fit` : " would change"}
        {figures.unchanged > 0
          ? `; ${count(figures.unchanged)} ${figures.unchanged === 1 ? "stays" : "stay"} the same.`
          : "."}
      </p>
      {parts.length > 0 && (
        <p className={css.detail}>{`${parts.map(([n, what]) => `${count(n)} ${what}`).join("; ")}.`}</p>
      )}
      {figures.says && <p className={css.detail}>{figures.says}</p>}
      {figures.complete && shown.length > 0 && (
        <fieldset className={css.outcomes}>
          <legend>Show at the desk</legend>
          <button type="button" aria-pressed={outcome === undefined} onClick={() => onOutcome(undefined)}>
            all
          </button>
          {shown.map((each) => (
            <button
              key={each.outcome}
              type="button"
              aria-pressed={outcome === each.outcome}
              onClick={() => onOutcome(each.outcome)}
            >
              {each.label} {count(each.n(figures))}
            </button>
          ))}
        </fieldset>
      )}
    </div>
  );
}
