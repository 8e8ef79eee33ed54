import type { Cell } from "../api/client";
import { FitRuler } from "./FitRuler";
import { IconPaperclip } from "./icons";
import css from "./TextCell.module.css";

interface Props {
  cell: Cell;
  /** How many other items have the same text, in words; "" where none. */
  same?: string;
}

/** A field in a table: the text in force with its measure, marked where it is missing, drafted, kept, alike or off its keyword. */
export function TextCell({ cell, same }: Props) {
  const text = cell.draft ?? cell.captured;
  const seen = cell.fit ? text.slice(0, cell.fit.fitting) : text;
  return (
    <span className={cell.draft === null ? css.cell : `${css.cell} ${css.draft}`} title={titleOf(cell, same)}>
      {cell.kept && (
        <span className={css.clasp}>
          <IconPaperclip size={13} aria-hidden />
          <span className={css.hidden}>kept</span>
        </span>
      )}
      {text.trim() === "" ? (
        <span className={css.none}>none</span>
      ) : (
        <span className={same ? `${css.text} ${css.twin}` : css.text}>
          {seen}
          {seen.length < text.length && <span className={css.beyond}>{text.slice(seen.length)}</span>}
        </span>
      )}
      {cell.lacks.map((word) => (
        <span key={word} className={css.lacks}>
          {word}
        </span>
      ))}
      {cell.fit?.says && <span className={css.over}>{cell.fit.says}</span>}
      {cell.fit && text !== "" && <FitRuler fit={cell.fit} />}
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
