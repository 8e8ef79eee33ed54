import { type RefObject, useEffect, useRef, useState } from "react";
import type { Choice } from "./choice";
import { cellsOf, tabbed } from "./clipboard";
import type { Column, RangeChange, Typed } from "./Grid";
import type { Rows } from "./useRows";

export interface Cursor {
  row: number;
  column: number;
}

interface Area {
  top: number;
  bottom: number;
  left: number;
  right: number;
}

interface Options<R> {
  columns: Column<R>[];
  rows: Rows<R>;
  total: number;
  idOf: (row: R) => number;
  choice?: Choice;
  idsBetween?: (from: number, to: number) => Promise<number[]>;
  onType?: (typed: Typed<R>) => void;
  onRange?: (change: RangeChange) => void;
  /** Cells whose rows are not here are copied by the server. */
  copyRange?: (from: number, count: number, columns: string[]) => void;
  onKey?: (key: string, row: R) => void;
  scroller: RefObject<HTMLDivElement | null>;
  toRow: (row: number) => void;
}

/** The button of the columns' menu covers so much of the headings at the right. */
export const MENU_WIDTH = 28;

const PAGE_ROWS = 20;
/** How far a hand moves, at most, that only presses, in CSS px. */
const STILL_PX = 4;

/** The cursor of a table, what is marked and typed in it, and the keys, as people know them from spreadsheets. */
export function useGridKeys<R>(options: Options<R>) {
  const { columns, rows, total, idOf, choice, idsBetween, onType, onRange, copyRange, onKey, scroller, toRow } =
    options;
  const [cursor, setCursor] = useState<Cursor>();
  const [anchor, setAnchor] = useState<Cursor>();
  const [editing, setEditing] = useState<{ text: string }>();
  const [lastSelected, setLastSelected] = useState<number>();
  const [dragging, setDragging] = useState<"mark" | "fill">();
  const fillFrom = useRef<Area>(undefined);
  const pressedAt = useRef({ x: 0, y: 0 });
  // The ids at both ends of what is marked: the server holds the order against them before it changes rows out of view.
  const ends = useRef(new Map<number, number>());

  const remember = (row: number) => {
    const found = rows.row(row);
    if (found) ends.current.set(row, idOf(found));
  };
  const textAt = (row: number, column: number) => {
    const found = rows.row(row);
    return found ? (columns[column].text?.(found) ?? "") : "";
  };
  const span = (): Area | undefined => {
    if (!cursor) return undefined;
    const other = anchor ?? cursor;
    return {
      top: Math.min(cursor.row, other.row),
      bottom: Math.max(cursor.row, other.row),
      left: Math.min(cursor.column, other.column),
      right: Math.max(cursor.column, other.column),
    };
  };
  const showColumn = (column: number) => {
    const box = scroller.current;
    const head = box?.querySelector<HTMLElement>(`[role="columnheader"][data-column="${columns[column].key}"]`);
    if (!box || !head) return;
    if (getComputedStyle(head).position === "sticky") return;
    const left = head.offsetLeft;
    const right = left + head.offsetWidth;
    const room = box.clientWidth - MENU_WIDTH;
    // What stays in view covers the left.
    const stays = [...box.querySelectorAll<HTMLElement>('[role="columnheader"]')]
      .filter((each) => getComputedStyle(each).position === "sticky")
      .reduce((sum, each) => sum + each.offsetWidth, 0);
    if (left - stays < box.scrollLeft) box.scrollLeft = left - stays;
    else if (right > box.scrollLeft + room) box.scrollLeft = right - room;
  };
  const move = (to: Cursor, extend: boolean) => {
    const next = {
      row: Math.max(0, Math.min(total - 1, to.row)),
      column: Math.max(0, Math.min(columns.length - 1, to.column)),
    };
    if (cursor) remember(cursor.row);
    remember(next.row);
    setAnchor(extend ? (anchor ?? cursor) : undefined);
    setCursor(next);
    toRow(next.row);
    showColumn(next.column);
  };
  const edit = (at: Cursor, text?: string) => {
    if (!onType || !columns[at.column].field || !rows.row(at.row)) return;
    setCursor(at);
    setEditing({ text: text ?? textAt(at.row, at.column) });
  };
  const leave = () => {
    setEditing(undefined);
    scroller.current?.focus();
  };
  const commit = () => {
    const row = cursor && rows.row(cursor.row);
    if (editing && cursor && row) {
      const from = textAt(cursor.row, cursor.column);
      if (editing.text !== from) onType?.({ row, column: columns[cursor.column].key, text: editing.text, from });
    }
    leave();
  };
  /** The columns of an area that can be changed; the range is one stretch of them. */
  const fieldsOf = (area: Area) => columns.slice(area.left, area.right + 1).filter((column) => column.field);
  const change = (area: Area, action: RangeChange["action"], cells?: string[][]) => {
    const fields = fieldsOf(area);
    if (!onRange || fields.length === 0) return;
    onRange({
      action,
      from: area.top,
      count: area.bottom - area.top + 1,
      firstId: ends.current.get(area.top),
      lastId: ends.current.get(area.bottom),
      fields: fields.flatMap((column) => column.field ?? []),
      cells,
    });
  };
  const commitToAll = () => {
    const area = span();
    if (!editing || !area) return;
    const { text } = editing;
    leave();
    if (area.top === area.bottom && area.left === area.right) commit();
    else change(area, "PASTE", [[text]]);
  };
  const select = async (row: number, extend: boolean) => {
    const found = rows.row(row);
    if (!choice || !found) return;
    if (extend && lastSelected !== undefined && idsBetween) choice.add(await idsBetween(lastSelected, row));
    else choice.toggle(idOf(found));
    setLastSelected(row);
  };
  const press = (at: Cursor, event: React.MouseEvent) => {
    if (event.button !== 0) return;
    if (editing && cursor?.row === at.row && cursor.column === at.column) return;
    if (editing) commit();
    if (event.ctrlKey || event.metaKey) select(at.row, false);
    move(at, event.shiftKey);
    pressedAt.current = { x: event.clientX, y: event.clientY };
    setDragging("mark");
  };
  const pressHandle = (event: React.MouseEvent) => {
    fillFrom.current = span();
    pressedAt.current = { x: event.clientX, y: event.clientY };
    setDragging("fill");
  };
  const drag = (at: Cursor, event: React.MouseEvent) => {
    if (!dragging || !cursor || (cursor.row === at.row && cursor.column === at.column)) return;
    // A panel that opens on the press moves the cells under a hand that keeps still: that marks nothing.
    const moved = Math.hypot(event.clientX - pressedAt.current.x, event.clientY - pressedAt.current.y);
    if (moved < STILL_PX) return;
    if (dragging === "mark") move(at, true);
    else if (fillFrom.current && at.row >= fillFrom.current.bottom) {
      remember(at.row);
      setAnchor({ row: fillFrom.current.top, column: fillFrom.current.left });
      setCursor({ row: at.row, column: fillFrom.current.right });
      toRow(at.row);
    }
  };
  const release = useRef<() => void>(() => undefined);
  release.current = () => {
    const from = fillFrom.current;
    const area = span();
    if (dragging === "fill" && from && area && area.bottom > from.bottom) {
      // The last of the marked rows is what is carried on.
      change({ ...area, top: from.bottom }, "FILL");
    }
    fillFrom.current = undefined;
    setDragging(undefined);
  };
  useEffect(() => {
    if (!dragging) return;
    const end = () => release.current();
    window.addEventListener("mouseup", end);
    return () => window.removeEventListener("mouseup", end);
  }, [dragging]);

  const fillDown = () => {
    const area = span();
    if (area && area.bottom > area.top) change(area, "FILL");
    else if (area && area.top > 0) change({ ...area, top: area.top - 1 }, "FILL");
  };
  const clear = () => {
    const area = span();
    if (area) change(area, "REVERT");
  };

  const whileEditing = (event: React.KeyboardEvent) => {
    if (event.key === "Escape") leave();
    else if (event.key === "Enter" && (event.ctrlKey || event.metaKey)) commitToAll();
    else if (event.key === "Enter") {
      commit();
      if (cursor) move({ ...cursor, row: cursor.row + (event.shiftKey ? -1 : 1) }, false);
    } else if (event.key === "Tab") {
      commit();
      if (cursor) move({ ...cursor, column: cursor.column + (event.shiftKey ? -1 : 1) }, false);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (editing) {
      whileEditing(event);
      return;
    }
    // A key on a button or a box in the table is meant for that, not for the cell under the cursor.
    const target = event.target as HTMLElement;
    if (target !== scroller.current && target.closest("button, input, a, select, textarea")) return;
    const command = event.ctrlKey || event.metaKey;
    const at = cursor ?? { row: 0, column: 0 };
    const moves: Record<string, Cursor> = {
      ArrowDown: { ...at, row: command ? total - 1 : cursor ? at.row + 1 : 0 },
      ArrowUp: { ...at, row: command ? 0 : at.row - 1 },
      ArrowLeft: { ...at, column: command ? 0 : at.column - 1 },
      ArrowRight: { ...at, column: command ? columns.length - 1 : at.column + 1 },
      PageDown: { ...at, row: at.row + PAGE_ROWS },
      PageUp: { ...at, row: at.row - PAGE_ROWS },
      Home: command ? { row: 0, column: 0 } : { ...at, column: 0 },
      End: command ? { row: total - 1, column: columns.length - 1 } : { ...at, column: columns.length - 1 },
    };
    const letter = event.key.toLowerCase();
    if (moves[event.key]) move(moves[event.key], event.shiftKey);
    else if (event.key === "Enter" && event.shiftKey) move({ ...at, row: at.row - 1 }, false);
    else if (event.key === "Enter" || event.key === "F2") edit(at);
    else if (event.key === " " && command && cursor) {
      remember(0);
      setAnchor({ row: 0, column: cursor.column });
      setCursor({ row: total - 1, column: cursor.column });
    } else if (event.key === " " && choice) select(at.row, event.shiftKey);
    else if (event.key === "Delete") clear();
    else if (event.key === "Backspace" && cursor) edit(at, "");
    else if (event.key === "Escape") {
      setAnchor(undefined);
      choice?.none();
    } else if (command && letter === "d") fillDown();
    else if (command && letter === "a" && choice) choice.all();
    else if (!command && !event.altKey && event.key.length === 1 && event.key !== "/" && event.key !== "?" && cursor) {
      const row = rows.row(at.row);
      if (onType && columns[at.column].field) edit(at, event.key);
      else if (onKey && row) onKey(event.key, row);
      else return;
    } else return;
    event.preventDefault();
  };

  const onCopy = (event: React.ClipboardEvent) => {
    const area = span();
    if (editing || !area) return;
    event.preventDefault();
    const cells: string[][] = [];
    for (let row = area.top; row <= area.bottom; row++) {
      if (!rows.row(row) && copyRange) {
        const wanted = columns.slice(area.left, area.right + 1).map((column) => column.key);
        copyRange(area.top, area.bottom - area.top + 1, wanted);
        return;
      }
      const line: string[] = [];
      for (let column = area.left; column <= area.right; column++) line.push(textAt(row, column));
      cells.push(line);
    }
    event.clipboardData.setData("text/plain", tabbed(cells));
  };
  const onCut = (event: React.ClipboardEvent) => {
    if (editing || !onRange) return;
    onCopy(event);
    clear();
  };
  const onPaste = (event: React.ClipboardEvent) => {
    const area = span();
    if (editing || !area || !onRange) return;
    event.preventDefault();
    const cells = cellsOf(event.clipboardData.getData("text/plain"));
    if (cells.length === 0) return;
    const wide = Math.max(...cells.map((line) => line.length));
    const one = area.top === area.bottom && area.left === area.right;
    const target = {
      ...area,
      bottom: Math.min(
        total - 1,
        one ? area.top + cells.length - 1 : Math.max(area.bottom, area.top + cells.length - 1),
      ),
      right: Math.min(columns.length - 1, one ? area.left + wide - 1 : Math.max(area.right, area.left + wide - 1)),
    };
    // Columns that cannot be changed take their cell of the clipboard with them.
    const kept = columns
      .slice(target.left, target.right + 1)
      .map((column, i) => (column.field ? i : -1))
      .filter((i) => i >= 0);
    const repeated = wide === 1;
    change(
      target,
      "PASTE",
      repeated ? cells : cells.map((line) => kept.map((i) => line[i % wide]).filter((cell) => cell !== undefined)),
    );
  };

  const inRange = (row: number, column: number) => {
    if (!anchor) return false;
    const area = span();
    if (!area) return false;
    return row >= area.top && row <= area.bottom && column >= area.left && column <= area.right;
  };
  const isCorner = (row: number, column: number) => {
    const area = span();
    return Boolean(area && onRange && row === area.bottom && column === area.right && fieldsOf(area).length > 0);
  };
  return {
    cursor,
    editing,
    setText: (text: string) => setEditing({ text }),
    edit,
    select,
    showColumn,
    press,
    pressHandle,
    drag,
    inRange,
    isCorner,
    handlers: { onKeyDown, onCopy, onCut, onPaste },
  };
}
