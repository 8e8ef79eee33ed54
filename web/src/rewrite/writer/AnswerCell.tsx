import type { Cell, WriterCell } from "../../api/client";
import { inForce } from "../../parts/fields";
import { partsInWords } from "../../parts/partTexts";
import { sizeInTable, TrueMeasure } from "../../parts/TrueMeasure";
import css from "./Writer.module.css";

interface Props {
  cell: WriterCell | undefined;
  /** What stands in the field that the column makes; null for a note. */
  now: Cell | null;
  /** Whether that is a text for each image of the page. */
  ofParts: boolean;
}

/** An answer of the writer in the table: not there yet, waiting, done, or failed with why. */
export function AnswerCell({ cell, now, ofParts }: Props) {
  if (!cell) return <NotWritten text={ofParts ? partsInWords(inForce(now)) : inForce(now)} />;
  if (cell.state === "waiting" && !cell.answer) return <span className={css.waits}>waits</span>;
  const { fit } = cell;
  return (
    <span className={css.cell} title={titleOf(cell)}>
      {cell.state === "waiting" && <span className={css.waits}>asked again, waits</span>}
      {cell.state === "failed" && <b>{cell.problems.map((problem) => problem.says).join("; ")}</b>}
      {cell.answer && (
        <span className={fit ? css.measured : css.answer} data-state={cell.state}>
          {fit ? (
            <TrueMeasure text={cell.answer} fit={fit} size={sizeInTable(fit)} />
          ) : (
            said(cell.answer, cell, ofParts)
          )}
        </span>
      )}
    </span>
  );
}

/** With the text as it is, so that nobody takes it for lost. */
function NotWritten({ text }: { text: string }) {
  return (
    <span className={css.cell} title={text}>
      <span className={css.waits}>not written yet</span>
      {text && <span className={css.now}>{text}</span>}
    </span>
  );
}

/** What failed is shown as it was answered. */
const said = (text: string, cell: WriterCell, ofParts: boolean) =>
  ofParts && cell.state === "done" ? partsInWords(text) : text;

function titleOf(cell: WriterCell) {
  const lines = [cell.answer ?? "", ...cell.problems.map((problem) => problem.says)];
  if (cell.asked > 1) lines.push(`asked ${cell.asked} times`);
  if (cell.retried > 0) lines.push(`the service was tried ${cell.retried} times more`);
  return lines.filter(Boolean).join("\n");
}
