import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useSearchParams } from "react-router";
import { answer, api, type DemandRow } from "../../api/client";
import { ofProperty } from "../../api/queries";
import { searchOf } from "../../parts/searchOf";
import { useRows } from "../../parts/useRows";
import { useSearchChange } from "../../parts/useSearchChange";

export interface DemandFilter {
  weeks?: number;
  first?: string;
  last?: string;
  country?: string;
  brand?: string;
  item?: number;
  query?: string;
  like?: string;
}

/** What is reported in a window: the sums, the weeks and the countries. */
export function useDemandWindow(propertyId: number, filter: DemandFilter) {
  return useQuery({
    queryKey: ofProperty(propertyId, "demand-window", filter),
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/properties/{propertyId}/demand/window", {
          params: { path: { propertyId }, query: filter },
          signal,
        }),
      ),
    placeholderData: (before) => before,
  });
}

/** The demand as the address of the page says: its window, what narrows it, and its rows in their order. */
export function useDemand(propertyId: number) {
  const [search] = useSearchParams();
  const by = search.get("sort") ?? "clicks";
  const desc = (search.get("desc") ?? "true") === "true";
  const of: "items" | "queries" = search.get("of") === "items" ? "items" : "queries";
  const filter: DemandFilter = useMemo(
    () => ({
      weeks: Number(search.get("weeks")) || undefined,
      first: search.get("first") ?? undefined,
      last: search.get("last") ?? undefined,
      country: search.get("country") ?? undefined,
      brand: search.get("brand") ?? undefined,
      item: Number(search.get("item")) || undefined,
      query: search.get("query") ?? undefined,
      like: search.get("like") ?? undefined,
    }),
    [search],
  );
  const q = search.get("q") ?? undefined;
  const asked = useMemo(() => ({ ...filter, side: of, q, sort: by, desc }), [filter, of, q, by, desc]);
  const rows = useRows<DemandRow>(ofProperty(propertyId, "demand-rows", asked), (from, count, signal) =>
    answer(
      api.GET("/api/properties/{propertyId}/demand/rows", {
        params: { path: { propertyId }, query: { ...asked, from, count } },
        signal,
      }),
    ),
  );
  const set = useSearchChange();
  const sortBy = (next: string) =>
    set({ sort: next, desc: String(by === next ? !desc : next !== "text" && next !== "position") });
  const csv = `/api/properties/${propertyId}/demand/rows.csv?${searchOf(asked)}`;
  return { filter, of, q: q ?? "", by, desc, rows, set, sortBy, csv };
}
