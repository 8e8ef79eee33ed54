import { useVirtualizer } from "@tanstack/react-virtual";
import { type CSSProperties, type ReactNode, useEffect, useId, useRef } from "react";
import type { Field } from "../api/client";
import { ColumnMenu } from "./ColumnMenu";
import type { Choice } from "./choice";
import css from "./Grid.module.css";
import { type Columns, useColumns } from "./useColumns";
import { type Cursor, MENU_WIDTH, useGridKeys } from "./useGridKeys";
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
  field?: Field;
  /** Not shown unless somebody wants it. */
  optional?: boolean;
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
  fields: Field[];
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
  /** The row under the cursor; again where the cursor has not moved and the row is another or known better: what was closed stays closed. */
  onCursor?: (row: R | undefined, again: boolean) => void;
  /** The rows that are drawn, those just out of view too. */
  onView?: (rows: R[]) => void;
  onType?: (typed: Typed<R>) => void;
  onRange?: (change: RangeChange) => void;
  copyRange?: (from: number, count: number, columns: string[]) => void;
  /** A letter that was pressed on a row that is not edited. */
  onKey?: (key: string, row: R) => void;
  editor?: (row: R, column: Column<R>, value: string, onChange: (value: string) => void) => ReactNode;
  /** How tall rows are, in px, unless somebody wants them of one line. */
  tall?: number;
  /** The key of a column that is to be in view. */
  shownColumn?: string;
  empty: ReactNode;
}

const HEAD_HEIGHT = 34;
const ROW_HEIGHT = 28;
const BAR_HEIGHT = 56;
const TICK_WIDTH = 32;
const STEP = 16;
const SETTLE_MS = 40;
const RESTED_MS = 150;
const DRAGGED = "text/x-column";

/** A table of any length: only what is in view is drawn; keyboard, choosing, editing and the clipboard as in a spreadsheet. */
export function Grid<R>(props: Props<R>) {
  const { rows, choice } = props;
  const arrangement = useColumns(props.label, props.columns);
  const tall = props.tall !== undefined && !arrangement.low;
  const rowHeight = (tall && props.tall) || ROW_HEIGHT;
  const columns = arrangement.shown;
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
  // biome-ignore lint/correctness/useExhaustiveDependencies: rows of another height stand elsewhere
  useEffect(() => virtual.measure(), [rowHeight]);
  const askedAt = useRef(0);
  useEffect(() => {
    const ask = () => {
      askedAt.current = performance.now();
      rows.show(from, to);
    };
    // A jump is answered at once; while the table keeps moving, what only passes by is not asked for.
    if (performance.now() - askedAt.current > RESTED_MS) {
      ask();
      return;
    }
    const settled = setTimeout(ask, SETTLE_MS);
    return () => clearTimeout(settled);
  }, [from, to, rows.show]);

  const keys = useGridKeys({ ...props, columns, total, scroller, toRow: (row) => virtual.scrollToIndex(row) });
  const { cursor } = keys;
  const { onCursor } = props;
  const current = cursor ? rows.row(cursor.row) : undefined;
  const at = useRef(cursor);
  at.current = cursor;
  const told = useRef<Cursor>(undefined);
  useEffect(() => {
    onCursor?.(current, at.current !== undefined && at.current === told.current);
    if (current) told.current = at.current;
  }, [current, onCursor]);

  const { onView, shownColumn } = props;
  const drawn = visible.flatMap((place) => rows.row(place.index) ?? []);
  const drawnIds = drawn.map(props.idOf).join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the rows are made anew each time; their ids tell
  useEffect(() => {
    onView?.(drawn);
  }, [drawnIds, onView]);
  const shownPlace = columns.findIndex((column) => column.key === shownColumn);
  const loaded = rows.total !== undefined;
  const inView = useRef<() => void>(undefined);
  inView.current = () => {
    const place = shownPlace >= 0 ? shownPlace : cursor?.column;
    if (place !== undefined) keys.showColumn(place);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: only when another is asked for, or a panel takes its room
  useEffect(() => {
    if (!scroller.current) return;
    const sized = new ResizeObserver(() => inView.current?.());
    sized.observe(scroller.current);
    return () => sized.disconnect();
  }, [shownPlace, loaded]);

  const tick = choice ? TICK_WIDTH : 0;
  const tracks = [tick ? `${tick}px` : "", ...arrangement.tracks, `${MENU_WIDTH}px`].join(" ");
  const least = tick + arrangement.least + MENU_WIDTH;
  const stays = (place: number): CSSProperties | undefined => {
    const left = arrangement.stays(place);
    return left === undefined ? undefined : { left: tick + left };
  };
  if (rows.problem && rows.total === undefined) {
    return (
      <div role="alert" className={css.note}>
        {rows.problem.message}
      </div>
    );
  }
  if (rows.total === 0) return <div className={css.note}>{props.empty}</div>;

  return (
    <div className={css.frame}>
      {rows.problem && (
        <p role="alert" className={css.problem}>
          These rows may be out of date: {rows.problem.message}
        </p>
      )}
      <div className={css.menu}>
        <ColumnMenu columns={arrangement} density={props.tall !== undefined} />
      </div>
      <div
        ref={scroller}
        className={css.scroller}
        data-rows={tall ? "tall" : "low"}
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
            <div role="columnheader" className={`${css.tick} ${css.pinned}`}>
              <input
                type="checkbox"
                aria-label="Select all rows"
                checked={choice.isAll && choice.count(total) === total}
                onChange={() => (choice.isAll ? choice.none() : choice.all())}
              />
            </div>
          )}
          {columns.map((column, c) => (
            <HeadCell
              key={column.key}
              column={column}
              columns={arrangement}
              stays={stays(c)}
              sort={props.sort}
              desc={props.desc}
              onSort={props.onSort}
            />
          ))}
        </div>
        <div
          className={css.body}
          style={{ height: virtual.getTotalSize() + (barred ? BAR_HEIGHT : 0), minWidth: least }}
        >
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
                  <div role="gridcell" className={`${css.tick} ${css.pinned}`}>
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
                    stays={stays(c)}
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
    </div>
  );
}

interface HeadCellProps<R> {
  column: Column<R>;
  columns: Columns<R>;
  stays: CSSProperties | undefined;
  sort?: string;
  desc?: boolean;
  onSort?: (by: string) => void;
}

function HeadCell<R>({ column, columns, stays, sort, desc, onSort }: HeadCellProps<R>) {
  const sorted = column.sort !== undefined && column.sort === sort;
  const direction = desc ? "descending" : "ascending";
  const by = onSort && column.sort;
  const style = [css.headCell, column.right && css.right, stays && css.pinned].filter(Boolean).join(" ");
  return (
    <div
      role="columnheader"
      aria-label={column.label}
      aria-sort={by ? (sorted ? direction : "none") : undefined}
      className={style}
      style={stays}
      data-column={column.key}
      draggable
      onDragStart={(event) => event.dataTransfer.setData(DRAGGED, column.key)}
      onDragOver={(event) => event.dataTransfer.types.includes(DRAGGED) && event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const dragged = event.dataTransfer.getData(DRAGGED);
        if (dragged && dragged !== column.key) columns.move(dragged, column.key);
      }}
    >
      <span className={css.headLabel}>
        {by ? (
          <button type="button" onClick={() => onSort(by)}>
            {column.label}
            {sorted && <span aria-hidden="true">{desc ? " ↓" : " ↑"}</span>}
          </button>
        ) : (
          column.label
        )}
      </span>
      <ColumnEdge column={column} width={columns.widthOf(column)} onWidth={(px) => columns.resize(column.key, px)} />
    </div>
  );
}

interface EdgeProps<R> {
  column: Column<R>;
  /** in px, as set or as the least it may have */
  width: number;
  onWidth: (px: number) => void;
}

/** The right edge of a column's heading, which makes it wider and narrower: by hand, or with the arrow keys. */
function ColumnEdge<R>({ column, width, onWidth }: EdgeProps<R>) {
  const from = useRef({ x: 0, width: 0 });
  const widthOf = (edge: HTMLElement) => edge.parentElement?.offsetWidth ?? 0;
  return (
    <span
      role="separator"
      aria-orientation="vertical"
      aria-label={`Width of ${column.label || column.key}`}
      aria-valuenow={width}
      tabIndex={0}
      className={css.edge}
      draggable
      onDragStart={(event) => {
        event.preventDefault();
        event.stopPropagation();
      }}
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { x: event.clientX, width: widthOf(event.currentTarget) };
      }}
      onPointerMove={(event) => {
        if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
        onWidth(from.current.width + event.clientX - from.current.x);
      }}
      onKeyDown={(event) => {
        const step = event.key === "ArrowLeft" ? -STEP : event.key === "ArrowRight" ? STEP : 0;
        if (step === 0) return;
        event.preventDefault();
        event.stopPropagation();
        onWidth(widthOf(event.currentTarget) + step);
      }}
    />
  );
}

interface BodyCellProps<R> {
  column: Column<R>;
  row: R | undefined;
  stays: CSSProperties | undefined;
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
  const style = [css.cell, column.right && css.right, props.stays && css.pinned, at && css.cursor, inRange && css.range]
    .filter(Boolean)
    .join(" ");
  return (
    <div
      role="gridcell"
      id={props.id}
      aria-colindex={props.place}
      className={style}
      style={props.stays}
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
