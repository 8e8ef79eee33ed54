import { useVirtualizer } from "@tanstack/react-virtual";
import { type ReactNode, useEffect, useId, useRef } from "react";
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

/** A text that was typed over another. */
export interface Typed<R> {
  row: R;
  column: string;
  text: string;
  from: string;
}

/** What is done to a rectangle, whether its rows are here or not. */
export interface RangeChange {
  action: "FILL" | "REVERT" | "PASTE";
  from: number;
  count: number;
  /** The rows at both ends, where they were seen. */
  firstId?: number;
  lastId?: number;
  columns: string[];
  /** What is pasted, repeated where the rectangle is larger. */
  cells?: string[][];
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
  /** The ids of a stretch of rows, for selecting with shift. */
  idsBetween?: (from: number, to: number) => Promise<number[]>;
  onCursor?: (row: R | undefined) => void;
  onType?: (typed: Typed<R>) => void;
  onRange?: (change: RangeChange) => void;
  copyRange?: (from: number, count: number, columns: string[]) => void;
  /** A letter that was pressed on a row that is not edited. */
  onKey?: (key: string, row: R) => void;
  editor?: (row: R, column: Column<R>, value: string, onChange: (value: string) => void) => ReactNode;
  rowHeight?: number;
  empty: ReactNode;
}

const HEAD_HEIGHT = 28;
const BAR_HEIGHT = 56;

/** A table of any length: only what is in view is drawn; keyboard, choosing, editing and the clipboard as in a spreadsheet. */
export function Grid<R>(props: Props<R>) {
  const { columns, rows, choice, rowHeight = 28 } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const gridId = useId();
  const total = rows.total ?? 0;
  const barred = Boolean(choice && choice.count(total) > 0);
  const virtual = useVirtualizer({
    count: total,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 12,
    // The heading covers the top, and the bar of what can be done with selected rows the bottom.
    scrollPaddingEnd: HEAD_HEIGHT + (barred ? BAR_HEIGHT : 0),
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
  if (rows.problem) {
    return (
      <div role="alert" className={css.note}>
        {rows.problem.message}
      </div>
    );
  }
  if (rows.total === 0) return <div className={css.note}>{props.empty}</div>;

  return (
    <div
      ref={scroller}
      className={css.scroller}
      role="grid"
      aria-label={props.label}
      aria-rowcount={total + 1}
      aria-multiselectable={choice ? true : undefined}
      aria-colcount={columns.length + (choice ? 1 : 0)}
      aria-activedescendant={cursor ? `${gridId}-${cursor.row}-${cursor.column}` : undefined}
      tabIndex={0}
      {...keys.handlers}
    >
      <div role="row" aria-rowindex={1} className={css.head} style={{ gridTemplateColumns: tracks, minWidth: least }}>
        {choice && (
          <div role="columnheader" className={css.tick}>
            <input
              type="checkbox"
              aria-label="Select all rows"
              checked={choice.isAll && choice.count(total) === total}
              onChange={() => (choice.isAll ? choice.none() : choice.all())}
            />
          </div>
        )}
        {columns.map((column) => (
          <HeadCell key={column.key} column={column} sort={props.sort} desc={props.desc} onSort={props.onSort} />
        ))}
      </div>
      <div className={css.body} style={{ height: virtual.getTotalSize() + (barred ? BAR_HEIGHT : 0), minWidth: least }}>
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
                    aria-label={row ? `Select ${props.columns[0].text?.(row) ?? `row ${place.index + 1}`}` : "Select"}
                    checked={Boolean(chosen)}
                    disabled={!row}
                    onChange={() => undefined}
                    onClick={(event) => keys.select(place.index, event.shiftKey)}
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
                  onEnter={(event) => keys.drag({ row: place.index, column: c }, event)}
                  handle={keys.isCorner(place.index, c) ? keys.pressHandle : undefined}
                  id={`${gridId}-${place.index}-${c}`}
                  place={c + (choice ? 2 : 1)}
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
      <div role="columnheader" className={style} data-column={column.key}>
        {column.label}
      </div>
    );
  }
  const by = column.sort;
  return (
    <div role="columnheader" aria-sort={sorted ? direction : "none"} className={style} data-column={column.key}>
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
  id: string;
  place: number;
  onPress: (event: React.MouseEvent) => void;
  onEnter: (event: React.MouseEvent) => void;
  onOpen: () => void;
  /** Begins to fill down by dragging; at the corner of what is marked. */
  handle: ((event: React.MouseEvent) => void) | undefined;
  editor: ReactNode;
}

function BodyCell<R>(props: BodyCellProps<R>) {
  const { column, row, at, inRange, editor } = props;
  const style = [css.cell, column.right && css.right, at && css.cursor, inRange && css.range].filter(Boolean).join(" ");
  return (
    <div
      role="gridcell"
      id={props.id}
      aria-colindex={props.place}
      className={style}
      data-column={column.key}
      onMouseDown={props.onPress}
      onMouseEnter={props.onEnter}
      onDoubleClick={props.onOpen}
    >
      {editor ?? (row ? column.cell(row) : <span className={css.skeleton} />)}
      {props.handle && !editor && (
        <span
          className={css.handle}
          aria-hidden="true"
          onMouseDown={(event) => {
            event.stopPropagation();
            event.preventDefault();
            props.handle?.(event);
          }}
        />
      )}
    </div>
  );
}

export type { Cursor };
