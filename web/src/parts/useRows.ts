import { keepPreviousData, useQueries } from "@tanstack/react-query";
import { useCallback, useState } from "react";

export const PAGE = 100;

/** The rows of a long table, of which only the pages in view are held. */
export interface Rows<R> {
  /** undefined until the first page is there */
  total?: number;
  row: (index: number) => R | undefined;
  /** Says which rows are in view. */
  show: (from: number, to: number) => void;
  problem?: Error;
}

export function useRows<R>(
  key: unknown[],
  fetchPage: (from: number, count: number, signal: AbortSignal) => Promise<{ total: number; rows: R[] }>,
): Rows<R> {
  const [[first, last], setWindow] = useState<[number, number]>([0, 0]);
  const pages: number[] = [];
  for (let page = first; page <= last; page++) pages.push(page);
  if (!pages.includes(0)) pages.unshift(0);
  const results = useQueries({
    queries: pages.map((page) => ({
      queryKey: [...key, "page", page],
      queryFn: ({ signal }: { signal: AbortSignal }) => fetchPage(page * PAGE, PAGE, signal),
      meta: { shown: true },
      placeholderData: page === 0 ? keepPreviousData : undefined,
    })),
  });
  const show = useCallback((from: number, to: number) => {
    const next: [number, number] = [Math.floor(from / PAGE), Math.floor(Math.max(from, to) / PAGE)];
    setWindow((before) => (before[0] === next[0] && before[1] === next[1] ? before : next));
  }, []);
  return {
    total: results[0].data?.total,
    row: (index) => results[pages.indexOf(Math.floor(index / PAGE))]?.data?.rows[index % PAGE],
    show,
    problem: results.find((result) => result.error)?.error ?? undefined,
  };
}
