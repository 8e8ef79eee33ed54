import { Button, Popover } from "@mantine/core";
import { dayAndTime, of } from "../parts/number";
import css from "./Rewrite.module.css";
import type { Undo } from "./useUndo";

/** What was changed so far, batch by batch, each of which can be undone and applied again. */
export function BatchMenu({ undo }: { undo: Undo }) {
  if (undo.list.length === 0) return null;
  return (
    <Popover position="bottom-end" width={440} shadow="md">
      <Popover.Target>
        <Button size="xs" variant="default">
          History
        </Button>
      </Popover.Target>
      <Popover.Dropdown>
        <ol className={css.batches}>
          {undo.list.map((batch) => (
            <li key={batch.id} className={batch.state === "undone" ? css.undone : undefined}>
              <span>
                {batch.title}
                <br />
                <small>
                  {of(batch.items, "text")}, {dayAndTime(batch.created)}
                  {batch.state === "undone" && ", undone"}
                </small>
              </span>
              <Button size="compact-xs" variant="default" loading={undo.busy} onClick={() => undo.turn(batch)}>
                {batch.state === "applied" ? "Undo" : "Redo"}
              </Button>
            </li>
          ))}
        </ol>
      </Popover.Dropdown>
    </Popover>
  );
}
