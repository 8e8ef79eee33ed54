import type { ItemRow, PreviewRow } from "../api/client";
import { TextCell } from "../parts/TextCell";
import { TrueMeasure } from "../parts/TrueMeasure";
import css from "./PreviewedCell.module.css";

const WORDS: Record<string, string> = {
  shortened: "shortened",
  "lacks-source": "lacks a source",
  "told-apart": "told apart",
  alike: "left: the same as another",
  nothing: "left: nothing to make it of",
  kept: "left: kept as is",
  runaway: "left: the pattern tries too many ways",
};

/** A cell of the desk while an edit is previewed: the old text above the new one. */
export function PreviewedCell({ cell, preview }: { cell: ItemRow["title"]; preview: PreviewRow }) {
  const words = WORDS[preview.result];
  if (preview.after === null) {
    return (
      <>
        <TextCell cell={cell} />
        {words && <span className={css.left}>{words}</span>}
      </>
    );
  }
  const old = cell.draft ?? cell.captured;
  const { fit } = preview;
  return (
    <span className={css.both} title={`${preview.after}\nnow: ${old || "none"}`} data-text>
      <span className={css.was}>{old || "none"}</span>
      <span className={css.becomes}>
        <span className={css.text}>
          {fit ? (
            <TrueMeasure text={preview.after} fit={fit} size={fit.desktopLines > 1 ? 12 : 13} />
          ) : (
            preview.after || "none"
          )}
        </span>
        {(fit?.says || words) && (
          <span className={css.remarks}>
            {fit?.says && <b>{fit.says}</b>}
            {words}
          </span>
        )}
      </span>
    </span>
  );
}
