import type { Cell } from "../api/client";
import { inForce } from "./fields";
import { IconPaperclip } from "./icons";
import { partsInWords } from "./partTexts";
import css from "./TextCell.module.css";
import { sizeInTable, TrueMeasure } from "./TrueMeasure";

interface Props {
  cell: Cell;
  /** How many other items have the same text, in words; "" where none. */
  same?: string;
  /** Whether it has a text for each image or link of the page. */
  ofParts?: boolean;
}

/** A field in a table: the text in force at its true measure, marked where it is missing, drafted, kept, alike or off its keyword. */
export function TextCell({ cell, same, ofParts }: Props) {
  const text = ofParts ? partsInWords(inForce(cell)) : inForce(cell);
  const lines = (cell.fit?.desktopLines ?? 1) > 1;
  const style = [css.cell, lines && css.ofLines, cell.draft !== null && css.draft].filter(Boolean).join(" ");
  return (
    <span className={style} title={titleOf(cell, same)} data-text>
      {cell.kept && (
        <span className={css.clasp}>
          <IconPaperclip size={13} />
          <span className={css.hidden}>kept</span>
        </span>
      )}
      {text.trim() === "" ? (
        <span className={css.none}>none</span>
      ) : (
        <span className={cell.fit ? css.text : `${css.text} ${css.plain}`}>
          {cell.fit ? (
            <TrueMeasure text={text} fit={cell.fit} size={sizeInTable(cell.fit)} twin={Boolean(same)} />
          ) : (
            text
          )}
        </span>
      )}
      <span className={css.remarks}>
        {cell.fit?.says && <span className={css.over}>{cell.fit.says}</span>}
        {cell.lacks.map((word) => (
          <span key={word} className={css.lacks}>
            {word}
          </span>
        ))}
        {same && <span className={css.same}>{same}</span>}
      </span>
    </span>
  );
}

function titleOf(cell: Cell, same?: string) {
  const text = cell.draft ?? cell.captured;
  const lines = [text];
  if (cell.fit) lines.push(`${Math.round(cell.fit.px)} px, ${cell.fit.chars} characters${says(cell.fit.says)}`);
  if (cell.draft !== null) lines.push(`Captured: ${cell.captured || "none"}`);
  if (cell.lacks.length > 0) lines.push(`Lacks: ${cell.lacks.join(", ")}`);
  if (same) lines.push(same);
  if (cell.kept) lines.push(`Kept: ${cell.kept}`);
  return lines.join("\n");
}

const says = (what: string) => (what ? `, ${what}` : "");
