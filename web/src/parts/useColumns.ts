import { useLocalStorage } from "@mantine/hooks";
import {
  columnOrderingFeature,
  columnPinningFeature,
  columnVisibilityFeature,
  tableFeatures,
  useTable,
} from "@tanstack/react-table";
import { useMemo } from "react";
import type { Column } from "./Grid";

const features = tableFeatures({
  columnOrderingFeature,
  columnVisibilityFeature,
  columnPinningFeature,
});
const NO_ROWS: never[] = [];
const NARROWEST = 48;
const WIDEST = 1200;

/** How somebody arranged the columns of a table; kept in the browser under the table's name. */
interface Arrangement {
  order: string[];
  hidden: string[];
  /** Optional ones that are wanted. */
  wanted: string[];
  pinned: string[];
  widths: Record<string, number>;
  /** Whether rows have one line only. */
  low: boolean;
}

/** The least width of a track such as "minmax(200px, 2fr)", in px. */
const leastOf = (track: string) => Number.parseInt(track.replace("minmax(", ""), 10);

/** The optional columns that somebody wants in a table. */
export function useWantedColumns(table: string) {
  const [kept] = useLocalStorage<Arrangement | null>({
    key: `columns of ${table}`,
    defaultValue: null,
    getInitialValueInEffect: false,
  });
  return kept?.wanted ?? NO_ROWS;
}

/** The columns of a table as somebody arranged them: in their order, without the hidden ones, the pinned ones first. */
export function useColumns<R>(table: string, columns: Column<R>[]) {
  const asMade: Arrangement = {
    order: [],
    hidden: [],
    wanted: [],
    pinned: columns.slice(0, 1).map(({ key }) => key),
    widths: {},
    low: false,
  };
  const [kept, setKept, reset] = useLocalStorage<Arrangement | null>({
    key: `columns of ${table}`,
    defaultValue: null,
    getInitialValueInEffect: false,
  });
  const now = { ...asMade, ...kept };
  const keys = columns.map((column) => column.key);
  const isOptional = (key: string) => columns.some((column) => column.key === key && column.optional);
  const isHidden = (key: string) => (isOptional(key) ? !now.wanted.includes(key) : now.hidden.includes(key));
  const defs = useMemo(() => columns.map(({ key }) => ({ id: key })), [columns]);
  const model = useTable({
    features,
    columns: defs,
    data: NO_ROWS,
    state: {
      // A column that came later stands where it was made to stand, behind those that are known.
      columnOrder: [...now.order, ...keys.filter((key) => !now.order.includes(key))],
      columnVisibility: Object.fromEntries(keys.filter(isHidden).map((key) => [key, false])),
      columnPinning: { start: now.pinned, end: [] },
    },
  });
  const of = (ids: { id: string }[]) => ids.flatMap(({ id }) => columns.find((column) => column.key === id) ?? []);
  const pinned = of(model.getStartVisibleLeafColumns());
  const shown = [...pinned, ...of(model.getCenterVisibleLeafColumns())];
  const all = [...of(model.getStartLeafColumns()), ...of(model.getCenterLeafColumns())];
  const width = (column: Column<R>) => now.widths[column.key];
  const widthOf = (column: Column<R>) => width(column) ?? leastOf(column.track);
  const track = (column: Column<R>, place: number) => {
    const set = width(column);
    if (set) return `${set}px`;
    // What stands beside a pinned column must know how wide it is.
    return place < pinned.length - 1 ? `${leastOf(column.track)}px` : column.track;
  };
  const change = (next: Partial<Arrangement>) => setKept({ ...now, ...next });
  const toggle = (list: string[], key: string) =>
    list.includes(key) ? list.filter((each) => each !== key) : [...list, key];
  return {
    shown,
    all,
    arranged: kept !== null,
    tracks: shown.map(track),
    least: shown.reduce((sum, column) => sum + widthOf(column), 0),
    /** Where a pinned column stays, in px from the first; none where it moves. */
    stays: (place: number) =>
      place < pinned.length ? pinned.slice(0, place).reduce((sum, column) => sum + widthOf(column), 0) : undefined,
    /** How wide a column is in px, as it was set, or at the least. */
    widthOf,
    low: now.low,
    setLow: (low: boolean) => change({ low }),
    isHidden,
    isPinned: (key: string) => now.pinned.includes(key),
    resize: (key: string, px: number) =>
      change({ widths: { ...now.widths, [key]: Math.round(Math.max(NARROWEST, Math.min(WIDEST, px))) } }),
    /** Puts a column in the place of another. */
    move: (key: string, to: string) => {
      const order = all.map((column) => column.key).filter((each) => each !== key);
      const before = all.findIndex((column) => column.key === key) > all.findIndex((column) => column.key === to);
      order.splice(order.indexOf(to) + (before ? 0 : 1), 0, key);
      // What is put among the pinned ones is pinned, and what is taken out of them is not.
      const joins = now.pinned.includes(to);
      change({ order, pinned: order.filter((each) => (each === key ? joins : now.pinned.includes(each))) });
    },
    toggleHidden: (key: string) =>
      change(isOptional(key) ? { wanted: toggle(now.wanted, key) } : { hidden: toggle(now.hidden, key) }),
    togglePinned: (key: string) => {
      const pins = toggle(now.pinned, key);
      change({ pinned: all.map((column) => column.key).filter((each) => pins.includes(each)) });
    },
    reset,
  };
}

export type Columns<R> = ReturnType<typeof useColumns<R>>;
