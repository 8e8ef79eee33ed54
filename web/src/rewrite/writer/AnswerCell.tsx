import type { WriterCell } from "../../api/client";
import { sizeInTable, TrueMeasure } from "../../parts/TrueMeasure";
import css from "./Writer.module.css";

/** An answer of the writer in the table: waiting, done, or failed with why. */
export function AnswerCell({ cell }: { cell: WriterCell | undefined }) {
  if (!cell) return null;
  if (cell.state === "waiting" && !cell.answer) return <span className={css.waits}>waits</span>;
  const { fit } = cell;
  return (
    <span className={css.cell} title={titleOf(cell)}>
      {cell.state === "waiting" && <span className={css.waits}>asked again, waits</span>}
      {cell.state === "failed" && <b>{cell.problems.map((problem) => problem.says).join("; ")}</b>}
      {cell.answer && (
        <span className={fit ? css.measured : css.answer} data-state={cell.state}>
          {fit ? <TrueMeasure text={cell.answer} fit={fit} size={sizeInTable(fit)} /> : cell.answer}
        </span>
      )}
    </span>
  );
}

function titleOf(cell: WriterCell) {
  const lines = [cell.answer ?? "", ...cell.problems.map((problem) => problem.says)];
  if (cell.asked > 1) lines.push(`asked ${cell.asked} times`);
  if (cell.retried > 0) lines.push(`the service was tried ${cell.retried} times more`);
  return lines.filter(Boolean).join("\n");
}
