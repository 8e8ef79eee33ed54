import { ActionIcon, Button, Checkbox, Popover, SegmentedControl } from "@mantine/core";
import css from "./ColumnMenu.module.css";
import { IconChevronDown, IconChevronUp, IconColumns, IconPin } from "./icons";
import type { Columns } from "./useColumns";

/** Which columns a table shows, in which order, and which of them stay in view. */
export function ColumnMenu<R>({ columns, density }: { columns: Columns<R>; density?: boolean }) {
  const { all, shown } = columns;
  return (
    <Popover position="bottom-end" withinPortal trapFocus>
      <Popover.Target>
        <ActionIcon variant="subtle" size="sm" aria-label="Columns" title="Columns">
          <IconColumns size={16} />
        </ActionIcon>
      </Popover.Target>
      <Popover.Dropdown>
        <ul className={css.list} aria-label="Columns of the table">
          {all.map((column, place) => (
            <li key={column.key}>
              <Checkbox
                size="xs"
                label={column.label || column.key}
                checked={!columns.isHidden(column.key)}
                disabled={shown.length === 1 && !columns.isHidden(column.key)}
                onChange={() => columns.toggleHidden(column.key)}
              />
              <ActionIcon
                variant="subtle"
                size="sm"
                disabled={place === 0}
                aria-label={`Move ${column.label} to the left`}
                onClick={() => columns.move(column.key, all[place - 1].key)}
              >
                <IconChevronUp size={14} />
              </ActionIcon>
              <ActionIcon
                variant="subtle"
                size="sm"
                disabled={place === all.length - 1}
                aria-label={`Move ${column.label} to the right`}
                onClick={() => columns.move(column.key, all[place + 1].key)}
              >
                <IconChevronDown size={14} />
              </ActionIcon>
              <ActionIcon
                variant={columns.isPinned(column.key) ? "light" : "subtle"}
                size="sm"
                aria-pressed={columns.isPinned(column.key)}
                aria-label={`Keep ${column.label} in view`}
                title="Keep in view"
                onClick={() => columns.togglePinned(column.key)}
              >
                <IconPin size={14} />
              </ActionIcon>
            </li>
          ))}
        </ul>
        {density && (
          <SegmentedControl
            size="xs"
            fullWidth
            aria-label="Height of the rows"
            value={columns.low ? "low" : "tall"}
            onChange={(value) => columns.setLow(value === "low")}
            data={[
              { value: "tall", label: "Two lines" },
              { value: "low", label: "One line" },
            ]}
          />
        )}
        <Button size="compact-xs" variant="subtle" disabled={!columns.arranged} onClick={columns.reset}>
          Reset columns
        </Button>
      </Popover.Dropdown>
    </Popover>
  );
}
