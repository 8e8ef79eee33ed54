import { useCallback, useMemo, useState } from "react";
/** Exactly the rows with these ids, or all that a filter means but some. */
export interface Chosen<F> {
  ids?: number[];
  filter?: F;
  except?: number[];
}

/** Selected rows: those listed, or all but those listed. */
export interface Choice {
  count: (total: number) => number;
  has: (id: number) => boolean;
  isAll: boolean;
  toggle: (id: number) => void;
  add: (ids: number[]) => void;
  all: () => void;
  none: () => void;
  selection: <F>(filter: F) => Chosen<F>;
}

/**
 * Selected rows of a table.
 *
 * @param filter what the table is narrowed to; where that changes, what was selected is selected no longer, since "all" would
 *   mean something else
 */
export function useChoice(filter: unknown = ""): Choice {
  const [isAll, setAll] = useState(false);
  const [listed, setListed] = useState<ReadonlySet<number>>(new Set());
  const about = JSON.stringify(filter);
  const [selectedOf, setSelectedOf] = useState(about);
  if (selectedOf !== about) {
    setSelectedOf(about);
    setAll(false);
    setListed(new Set());
  }
  const toggle = useCallback((id: number) => {
    setListed((before) => {
      const after = new Set(before);
      if (!after.delete(id)) after.add(id);
      return after;
    });
  }, []);
  const add = useCallback(
    (ids: number[]) =>
      setListed((before) => {
        const after = new Set(before);
        for (const id of ids) {
          if (isAll) after.delete(id);
          else after.add(id);
        }
        return after;
      }),
    [isAll],
  );
  const all = useCallback(() => {
    setAll(true);
    setListed(new Set());
  }, []);
  const none = useCallback(() => {
    setAll(false);
    setListed(new Set());
  }, []);
  return useMemo(
    () => ({
      count: (total) => (isAll ? total - listed.size : listed.size),
      has: (id) => listed.has(id) !== isAll,
      isAll,
      toggle,
      add,
      all,
      none,
      selection: (filter) => (isAll ? { filter, except: [...listed] } : { ids: [...listed] }),
    }),
    [isAll, listed, toggle, add, all, none],
  );
}
