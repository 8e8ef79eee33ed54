import { useVirtualizer } from "@tanstack/react-virtual";
import { type ReactNode, useEffect, useRef } from "react";
import type { Choice } from "./choice";
import css from "./Grid.module.css";
import { type Cursor, useGridKeys } from "./useGridKeys";
import type { Rows } from "./useRows";

export interface Column<R> {
  key: string;
  label: string;
  /** A track of the grid, such as "80px" or "minmax(200px, 2fr)". */
  track: string;
  /** The name the server sorts by; none where it cannot. */
  sort?: string;
  right?: boolean;
  cell: (row: R) => ReactNode;
  /** What is copied out of the cell. */
  text?: (row: R) => string;
  /** The field that is edited in this column. */
  field?: string;
}

export interface Typed {
  row: number;
  column: string;
  /** null takes the draft away */
  text: string | null;
}

interface Props<R> {
  label: string;
  columns: Column<R>[];
  rows: Rows<R>;
  idOf: (row: R) => number;
  sort?: string;
  desc?: boolean;
  onSort?: (by: string) => void;
  choice?: Choice;
  /** The ids of a stretch of rows, for choosing with shift. */
  idsBetween?: (from: number, to: number) => Promise<number[]>;
  onCursor?: (row: R | undefined) => void;
  onType?: (typed: Typed[]) => void;
  /** A letter that was pressed on a row that is not edited. */
  onKey?: (key: string, row: R) => void;
  editor?: (row: R, column: Column<R>, value: string, onChange: (value: string) => void) => ReactNode;
  rowHeight?: number;
  empty: ReactNode;
}

/** A table of any length: only what is in view is drawn; keyboard, choosing, editing and the clipboard as in a spreadsheet. */
export function Grid<R>(props: Props<R>) {
  const { columns, rows, choice, rowHeight = 28 } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const total = rows.total ?? 0;
  const virtual = useVirtualizer({
    count: total,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 12,
  });
  const visible = virtual.getVirtualItems();
  const from = visible[0]?.index ?? 0;
  const to = visible.at(-1)?.index ?? 0;
  useEffect(() => {
    const settled = setTimeout(() => rows.show(from, to), 40);
    return () => clearTimeout(settled);
  }, [from, to, rows.show]);

  const keys = useGridKeys({ ...props, total, scroller, toRow: (row) => virtual.scrollToIndex(row) });
  const { cursor } = keys;
  const { onCursor } = props;
  const current = cursor ? rows.row(cursor.row) : undefined;
  useEffect(() => {
    onCursor?.(current);
  }, [current, onCursor]);

  const tracks = [choice ? "32px" : "", ...columns.map((column) => column.track)].join(" ");
  const least =
    (choice ? 32 : 0) +
    columns.reduce((sum, column) => sum + Number.parseInt(column.track.replace("minmax(", ""), 10), 0);
  if (rows.problem) return <div className={css.note}>{rows.problem.message}</div>;
  if (rows.total === 0) return <div className={css.note}>{props.empty}</div>;

  return (
    <div
      ref={scroller}
      className={css.scroller}
      role="grid"
      aria-label={props.label}
      aria-rowcount={total + 1}
      aria-multiselectable={choice ? true : undefined}
      tabIndex={0}
      {...keys.handlers}
    >
      <div role="row" aria-rowindex={1} className={css.head} style={{ gridTemplateColumns: tracks, minWidth: least }}>
        {choice && (
          <div role="columnheader" className={css.tick}>
            <input
              type="checkbox"
              aria-label="Choose all rows"
              checked={choice.isAll && choice.count(total) === total}
              onChange={() => (choice.isAll ? choice.none() : choice.all())}
            />
          </div>
        )}
        {columns.map((column) => (
          <HeadCell key={column.key} column={column} sort={props.sort} desc={props.desc} onSort={props.onSort} />
        ))}
      </div>
      <div className={css.body} style={{ height: virtual.getTotalSize(), minWidth: least }}>
        {visible.map((place) => {
          const row = rows.row(place.index);
          const id = row ? props.idOf(row) : undefined;
          const chosen = id !== undefined && choice?.has(id);
          return (
            <div
              key={place.index % 128}
              role="row"
              aria-rowindex={place.index + 2}
              aria-selected={choice ? chosen : undefined}
              className={`${css.row} ${chosen ? css.chosen : ""} ${cursor?.row === place.index ? css.at : ""}`}
              style={{ gridTemplateColumns: tracks, height: rowHeight, transform: `translateY(${place.start}px)` }}
            >
              {choice && (
                <div role="gridcell" className={css.tick}>
                  <input
                    type="checkbox"
                    tabIndex={-1}
                    aria-label="Choose this row"
                    checked={Boolean(chosen)}
                    disabled={!row}
                    onChange={() => undefined}
                    onClick={(event) => keys.choose(place.index, event.shiftKey)}
                  />
                </div>
              )}
              {columns.map((column, c) => (
                <BodyCell
                  key={column.key}
                  column={column}
                  row={row}
                  at={cursor?.row === place.index && cursor.column === c}
                  inRange={keys.inRange(place.index, c)}
                  onPress={(event) => keys.press({ row: place.index, column: c }, event)}
                  onOpen={() => keys.edit({ row: place.index, column: c })}
                  editor={
                    row && keys.editing && cursor?.row === place.index && cursor.column === c
                      ? props.editor?.(row, column, keys.editing.text, keys.setText)
                      : undefined
                  }
                />
              ))}
            </div>
          );
        })}
      </div>
    </div>
  );
}

function HeadCell<R>({
  column,
  sort,
  desc,
  onSort,
}: {
  column: Column<R>;
  sort?: string;
  desc?: boolean;
  onSort?: (by: string) => void;
}) {
  const sorted = column.sort !== undefined && column.sort === sort;
  const direction = desc ? "descending" : "ascending";
  const style = column.right ? `${css.headCell} ${css.right}` : css.headCell;
  if (!column.sort || !onSort) {
    return (
      <div role="columnheader" className={style}>
        {column.label}
      </div>
    );
  }
  const by = column.sort;
  return (
    <div role="columnheader" aria-sort={sorted ? direction : "none"} className={style}>
      <button type="button" onClick={() => onSort(by)}>
        {column.label}
        {sorted && <span aria-hidden="true">{desc ? " ↓" : " ↑"}</span>}
      </button>
    </div>
  );
}

interface BodyCellProps<R> {
  column: Column<R>;
  row: R | undefined;
  at: boolean;
  inRange: boolean;
  onPress: (event: React.MouseEvent) => void;
  onOpen: () => void;
  editor: ReactNode;
}

function BodyCell<R>({ column, row, at, inRange, onPress, onOpen, editor }: BodyCellProps<R>) {
  const style = [css.cell, column.right && css.right, at && css.cursor, inRange && css.range].filter(Boolean).join(" ");
  return (
    <div role="gridcell" className={style} data-column={column.key} onMouseDown={onPress} onDoubleClick={onOpen}>
      {editor ?? (row ? column.cell(row) : <span className={css.skeleton} />)}
    </div>
  );
}

export type { Cursor };
