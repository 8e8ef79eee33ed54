import { Button } from "@mantine/core";
import { answer, api, type WriterCell, type WriterColumn } from "../../api/client";
import { useChange } from "../../api/queries";
import { Marked } from "./Marked";
import css from "./Writer.module.css";

interface Props {
  propertyId: number;
  columns: WriterColumn[];
  cells: (WriterCell | undefined)[];
}

/** What was answered for the item in hand, with what is wrong with it. */
export function ItemAnswers({ propertyId, columns, cells }: Props) {
  const use = useChange(propertyId, ({ columnId, itemId }: WriterCell) =>
    answer(
      api.POST("/api/properties/{propertyId}/writer/cells/use", {
        params: { path: { propertyId } },
        body: { columnId, itemId },
      }),
    ),
  );
  const failed = cells.filter((cell) => cell?.state === "failed") as WriterCell[];
  if (failed.length === 0) return null;
  return (
    <section className={css.item} aria-label="Answers that cannot be used">
      <h3>Item in hand</h3>
      {failed.map((cell) => (
        <div key={cell.columnId}>
          <b>{columns.find((column) => column.id === cell.columnId)?.name}</b>
          {cell.answer && (
            <p className={css.whole}>
              <Marked text={cell.answer} marks={cell.problems} />
            </p>
          )}
          <p className={css.why}>{sentence(cell)}</p>
          {cell.answer && (
            <Button size="compact-xs" variant="default" loading={use.isPending} onClick={() => use.mutate(cell)}>
              Use it anyway
            </Button>
          )}
        </div>
      ))}
    </section>
  );
}

function sentence(cell: WriterCell) {
  const said = cell.problems.map((problem) => problem.says).join("; ");
  return `${said.charAt(0).toUpperCase()}${said.slice(1)}.`;
}
