import css from "./ResultPreview.module.css";
import { EXTRAS, type ResultExtras } from "./useResultExtras";

/** What else the previewed results show, where the page says it of itself. */
export function ResultOptions({ extras }: { extras: ResultExtras }) {
  return (
    <fieldset className={css.options}>
      <legend>Show with</legend>
      {EXTRAS.map((extra) => (
        <button
          key={extra}
          type="button"
          aria-pressed={extras.isWanted(extra)}
          title="Shown where the page says it of itself"
          onClick={() => extras.toggle(extra)}
        >
          {extra}
        </button>
      ))}
    </fieldset>
  );
}
