import { type RefObject, useState } from "react";
import type { Choice } from "./choice";
import type { Column, Typed } from "./Grid";
import type { Rows } from "./useRows";

export interface Cursor {
  row: number;
  column: number;
}

interface Options<R> {
  columns: Column<R>[];
  rows: Rows<R>;
  total: number;
  idOf: (row: R) => number;
  choice?: Choice;
  idsBetween?: (from: number, to: number) => Promise<number[]>;
  onType?: (typed: Typed[]) => void;
  onKey?: (key: string, row: R) => void;
  scroller: RefObject<HTMLDivElement | null>;
  toRow: (row: number) => void;
}

const PAGE_ROWS = 20;

/** The cursor of a table, what is typed in it, and the keys. */
export function useGridKeys<R>({
  columns,
  rows,
  total,
  idOf,
  choice,
  idsBetween,
  onType,
  onKey,
  scroller,
  toRow,
}: Options<R>) {
  const [cursor, setCursor] = useState<Cursor>();
  const [anchor, setAnchor] = useState<Cursor>();
  const [editing, setEditing] = useState<{ text: string }>();
  const [lastChosen, setLastChosen] = useState<number>();

  const textAt = (row: number, column: number) => {
    const found = rows.row(row);
    return found ? (columns[column].text?.(found) ?? "") : "";
  };
  const span = () => {
    if (!cursor) return undefined;
    const other = anchor ?? cursor;
    return {
      top: Math.min(cursor.row, other.row),
      bottom: Math.max(cursor.row, other.row),
      left: Math.min(cursor.column, other.column),
      right: Math.max(cursor.column, other.column),
    };
  };
  const move = (to: Cursor, extend: boolean) => {
    const next = {
      row: Math.max(0, Math.min(total - 1, to.row)),
      column: Math.max(0, Math.min(columns.length - 1, to.column)),
    };
    setAnchor(extend ? (anchor ?? cursor) : undefined);
    setCursor(next);
    toRow(next.row);
  };
  const edit = (at: Cursor, text?: string) => {
    if (!onType || !columns[at.column].field || !rows.row(at.row)) return;
    setCursor(at);
    setAnchor(undefined);
    setEditing({ text: text ?? textAt(at.row, at.column) });
  };
  const leave = () => {
    setEditing(undefined);
    scroller.current?.focus();
  };
  const commit = () => {
    if (editing && cursor && editing.text !== textAt(cursor.row, cursor.column)) {
      onType?.([{ row: cursor.row, column: columns[cursor.column].key, text: editing.text }]);
    }
    leave();
  };
  const choose = async (row: number, extend: boolean) => {
    const found = rows.row(row);
    if (!choice || !found) return;
    if (extend && lastChosen !== undefined && idsBetween) choice.add(await idsBetween(lastChosen, row));
    else choice.toggle(idOf(found));
    setLastChosen(row);
  };
  const press = (at: Cursor, event: React.MouseEvent) => {
    if (editing && cursor?.row === at.row && cursor.column === at.column) return;
    if (editing) commit();
    if (event.ctrlKey || event.metaKey) choose(at.row, false);
    move(at, event.shiftKey);
  };
  const fillDown = () => {
    const area = span();
    if (!area || !onType) return;
    const typed: Typed[] = [];
    for (let column = area.left; column <= area.right; column++) {
      if (!columns[column].field) continue;
      const text = textAt(area.top, column);
      for (let row = area.top + 1; row <= area.bottom; row++) typed.push({ row, column: columns[column].key, text });
    }
    if (typed.length > 0) onType(typed);
  };
  const clear = () => {
    const area = span();
    if (!area || !onType) return;
    const typed: Typed[] = [];
    for (let row = area.top; row <= area.bottom; row++) {
      for (let column = area.left; column <= area.right; column++) {
        if (columns[column].field) typed.push({ row, column: columns[column].key, text: null });
      }
    }
    if (typed.length > 0) onType(typed);
  };

  const onKeyDown = (event: React.KeyboardEvent) => {
    if (editing) {
      if (event.key === "Escape") leave();
      else if (event.key === "Enter") {
        commit();
        if (cursor) move({ ...cursor, row: cursor.row + 1 }, false);
      } else if (event.key === "Tab") {
        commit();
        if (cursor) move({ ...cursor, column: cursor.column + (event.shiftKey ? -1 : 1) }, false);
      } else return;
      event.preventDefault();
      event.stopPropagation();
      return;
    }
    const at = cursor ?? { row: 0, column: 0 };
    const moves: Record<string, Cursor> = {
      ArrowDown: { ...at, row: cursor ? at.row + 1 : 0 },
      ArrowUp: { ...at, row: at.row - 1 },
      ArrowLeft: { ...at, column: at.column - 1 },
      ArrowRight: { ...at, column: at.column + 1 },
      PageDown: { ...at, row: at.row + PAGE_ROWS },
      PageUp: { ...at, row: at.row - PAGE_ROWS },
      Home: event.ctrlKey ? { row: 0, column: 0 } : { ...at, column: 0 },
      End: event.ctrlKey ? { row: total - 1, column: at.column } : { ...at, column: columns.length - 1 },
    };
    const command = event.ctrlKey || event.metaKey;
    if (moves[event.key]) move(moves[event.key], event.shiftKey);
    else if (event.key === "Enter" || event.key === "F2") edit(at);
    else if (event.key === " " && choice) choose(at.row, event.shiftKey);
    else if (event.key === "Delete") clear();
    else if (event.key === "Escape") {
      setAnchor(undefined);
      choice?.none();
    } else if (command && event.key.toLowerCase() === "d") fillDown();
    else if (command && event.key.toLowerCase() === "a" && choice) choice.all();
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
    const lines: string[] = [];
    for (let row = area.top; row <= area.bottom; row++) {
      const cells: string[] = [];
      for (let column = area.left; column <= area.right; column++) {
        cells.push(textAt(row, column).replace(/[\t\r\n]+/g, " "));
      }
      lines.push(cells.join("\t"));
    }
    event.clipboardData.setData("text/plain", lines.join("\n"));
    event.preventDefault();
  };
  const onPaste = (event: React.ClipboardEvent) => {
    const area = span();
    if (editing || !area || !onType) return;
    event.preventDefault();
    const lines = event.clipboardData
      .getData("text/plain")
      .replace(/\r?\n$/, "")
      .split(/\r?\n/)
      .map((line) => line.split("\t"));
    const typed: Typed[] = [];
    const repeat = lines.length === 1 && lines[0].length === 1;
    for (let row = area.top; row <= (repeat ? area.bottom : area.top + lines.length - 1) && row < total; row++) {
      const cells = lines[repeat ? 0 : row - area.top];
      for (let c = 0; c < cells.length && area.left + c < columns.length; c++) {
        const column = columns[area.left + c];
        if (column.field) typed.push({ row, column: column.key, text: cells[c] });
      }
    }
    if (typed.length > 0) onType(typed);
  };

  const inRange = (row: number, column: number) => {
    if (!anchor) return false;
    const area = span();
    if (!area) return false;
    return row >= area.top && row <= area.bottom && column >= area.left && column <= area.right;
  };
  return {
    cursor,
    editing,
    setText: (text: string) => setEditing({ text }),
    edit,
    choose,
    press,
    inRange,
    handlers: { onKeyDown, onCopy, onPaste },
  };
}
