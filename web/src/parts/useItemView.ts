import { useMemo, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { answer, api, type ItemFilter, type ItemRow } from "../api/client";
import { ofProperty } from "../api/queries";
import { searchOf } from "./searchOf";
import { useRows } from "./useRows";
import { useSearchChange } from "./useSearchChange";

const FILTERS = [
  "q",
  "section",
  "field",
  "check",
  "shared",
  "state",
  "target",
  "indexable",
  "set",
  "life",
  "having",
] as const;

/** Parts of a filter that are no plain texts. */
const READ: Partial<Record<(typeof FILTERS)[number], (written: string) => unknown>> = {
  set: Number,
  having: (written) => ({ kind: written.split(" ")[0].toUpperCase(), value: written.slice(written.indexOf(" ") + 1) }),
  life: (written) => ({ what: written.split(" ")[0].toUpperCase(), moment: Number(written.split(" ")[1]) }),
};

export type FilterName = (typeof FILTERS)[number];

/** What else rows have: the texts of images and links; what drafts change. */
interface Details {
  parts?: boolean;
  changes?: boolean;
}

const NO_DETAILS: Details = {};

/**
 * A table of items as the address of the page says: filter, sort and place in it survive reload, back and forward.
 *
 * @param pinned whether the order stays while rows are edited
 * @param among the name of items that are picked out on the server, such as those that an edit would change
 */
export function useItemView(
  propertyId: number,
  fixed: ItemFilter = {},
  pinned = false,
  among?: string,
  details: Details = NO_DETAILS,
) {
  const [search] = useSearchParams();
  const [nonce, setNonce] = useState(0);
  const order = useRef<{ key: string; asOf: number }>({ key: "", asOf: 0 });
  const seen = useRef<number>(undefined);
  const [mostAtStake, setMostAtStake] = useState(0);

  const filter = useMemo(() => {
    const found: ItemFilter = { ...fixed };
    for (const name of FILTERS) {
      const value = search.get(name);
      if (value) Object.assign(found, { [name]: READ[name]?.(value) ?? value });
    }
    return found;
  }, [search, fixed]);
  const sort = search.get("sort") ?? "address";
  const desc = search.get("desc") === "true";

  const query = useMemo(
    () => ({
      ...filter,
      life: search.get("life") ?? undefined,
      having: search.get("having") ?? undefined,
      ids: undefined,
      sort: desc ? `-${sort}` : sort,
      among,
    }),
    [filter, search, sort, desc, among],
  );
  const key = JSON.stringify([query, nonce, details]);
  const rows = useRows<ItemRow>(ofProperty(propertyId, "items", key), async (from, count, signal) => {
    const asOf = pinned && order.current.key === key ? order.current.asOf : undefined;
    const slice = await answer(
      api.GET("/api/properties/{propertyId}/items", {
        params: { path: { propertyId }, query: { ...query, from, count, asOf, ...details } },
        signal,
      }),
    );
    if (order.current.key !== key) order.current = { key, asOf: slice.asOf };
    seen.current = seen.current === undefined ? slice.revision : Math.min(seen.current, slice.revision);
    if (from === 0) seen.current = slice.revision;
    setMostAtStake(slice.mostAtStake);
    return slice;
  });

  const set: (changes: Partial<Record<FilterName | "sort" | "desc", string | undefined>>) => void = useSearchChange();
  const idsBetween = (from: number, to: number) =>
    answer(
      api.GET("/api/properties/{propertyId}/items/ids", {
        params: {
          path: { propertyId },
          query: {
            ...query,
            from: Math.min(from, to),
            count: Math.abs(to - from) + 1,
            asOf: pinned ? order.current.asOf : undefined,
          },
        },
      }),
    );
  const csv = `/api/properties/${propertyId}/items.csv?${searchOf(query)}`;
  return {
    rows,
    filter,
    sort,
    desc,
    set,
    csv,
    idsBetween,
    /** The clicks a month at stake with the item that has most of them: the scale of their bars. */
    mostAtStake,
    /** The revision whose order is shown, where the order is pinned. */
    asOf: order.current.key === key ? order.current.asOf : undefined,
    /** The table as it is shown, as requests about its rows name it. */
    stand: () => {
      const { sort: by, among: picked, ...narrowed } = query;
      return { filter: narrowed, order: { sort: by, among: picked, asOf: pinned ? order.current.asOf : undefined } };
    },
    /** The revision of the oldest rows that are shown: what changed after it was not seen. */
    seen: () => seen.current,
    sortAgain: () => setNonce((n) => n + 1),
    /** What every table of items hands to its grid. */
    grid: {
      rows,
      idOf: (row: ItemRow) => row.id,
      sort,
      desc,
      onSort: (by: string) => set({ sort: by, desc: sort === by && !desc ? "true" : undefined }),
      idsBetween,
    },
  };
}

export type ItemView = ReturnType<typeof useItemView>;
