import type { ItemRow, PreviewRow } from "../api/client";
import { partsInWords } from "../parts/partTexts";
import { TextCell } from "../parts/TextCell";
import { sizeInTable, TrueMeasure } from "../parts/TrueMeasure";
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

const WHY: Record<string, string> = { NO_ROOM: "no room for", SAID_ALREADY: "said already" };

/** The new text, the old one, and what a recipe left out and why. */
function titleOf(preview: PreviewRow, old: string) {
  const left = preview.leftOut.map(({ text, why }) => `${WHY[why]}: ${text}`);
  return [preview.after, `now: ${old || "none"}`, ...left].join("\n");
}

/** What an edit puts behind a text of several lines or takes off its end, in words: there the cell shows neither. */
function endOf(old: string, { after, fit }: PreviewRow) {
  if (!old || !after || (fit?.desktopLines ?? 1) < 2) return undefined;
  const longer = after.length > old.length;
  const [short, long] = longer ? [old, after] : [after, old];
  const end = long.startsWith(short) && long.slice(short.length).trim();
  return end ? `${longer ? "added" : "removed"}: ${end}` : undefined;
}

/** A cell of the desk while an edit is previewed: the old text above the new one, or what comes to its end or goes from there. */
export function PreviewedCell({
  cell,
  preview,
  ofParts,
}: {
  cell: ItemRow["title"];
  preview: PreviewRow;
  ofParts: boolean;
}) {
  const inWords = (text: string) => (ofParts ? partsInWords(text) : text);
  const words = WORDS[preview.result];
  if (preview.after === null) {
    return (
      <>
        <TextCell cell={cell} ofParts={ofParts} />
        {words && <span className={css.left}>{words}</span>}
      </>
    );
  }
  const old = inWords(cell.draft ?? cell.captured);
  const { fit } = preview;
  const end = endOf(old, preview);
  const noRoom = preview.leftOut.filter(({ why }) => why === "NO_ROOM").map(({ text }) => text);
  return (
    <span className={css.both} title={titleOf(preview, old)} data-text>
      <span className={css.top}>
        {end ? <span className={css.end}>{end}</span> : <span className={css.was}>{old || "none"}</span>}
        {words && (
          <span className={css.remarks}>
            {words}
            {noRoom.length > 0 && `: ${noRoom.join(", ")}`}
          </span>
        )}
      </span>
      <span className={fit ? css.text : `${css.text} ${css.plain}`}>
        {fit ? (
          <TrueMeasure text={preview.after} fit={fit} size={sizeInTable(fit)} />
        ) : (
          inWords(preview.after) || "none"
        )}
      </span>
      {fit?.says && <b className={css.over}>{fit.says}</b>}
    </span>
  );
}
