import { useQuery } from "@tanstack/react-query";
import { useCallback, useMemo } from "react";
import { useSearchParams } from "react-router";
import { answer, api, type KeywordFilter, type KeywordRow } from "../../api/client";
import { ofProperty } from "../../api/queries";
import { searchOf } from "../../parts/searchOf";
import { useRows } from "../../parts/useRows";
import { useSearchChange } from "../../parts/useSearchChange";

const FILTERS = [
  "q",
  "home",
  "intent",
  "topic",
  "brand",
  "place",
  "season",
  "competition",
  "min",
  "rank",
  "country",
] as const;

/** The keyword table as the address says: what narrows it, its order, and its rows. */
export function useKeywords(propertyId: number, home?: "without") {
  const [search] = useSearchParams();
  const by = search.get("sort") ?? "volume";
  const desc = (search.get("desc") ?? "true") === "true";
  const filter: KeywordFilter = useMemo(() => {
    const given = Object.fromEntries(FILTERS.map((name) => [name, search.get(name) ?? undefined]));
    return { ...given, min: Number(given.min) || undefined, home: home ?? given.home };
  }, [search, home]);
  const query = useMemo(() => ({ ...filter, sort: by, desc }), [filter, by, desc]);
  const rows = useRows<KeywordRow>(ofProperty(propertyId, "keywords", query), (from, size, signal) =>
    answer(
      api.GET("/api/properties/{propertyId}/keywords", {
        params: { path: { propertyId }, query: { ...query, from, count: size } },
        signal,
      }),
    ),
  );
  const set = useSearchChange();
  const sortBy = useCallback(
    (next: string) => {
      const falling = next === "volume" || next === "broad" || next === "clicks" || next === "impressions";
      set({ sort: next, desc: String(by === next ? !desc : falling) });
    },
    [by, desc, set],
  );
  return { filter, by, desc, rows, set, sortBy, csv: `/api/properties/${propertyId}/keywords.csv?${searchOf(query)}` };
}

export function useKeywordChoices(propertyId: number) {
  return useQuery({
    queryKey: ofProperty(propertyId, "keyword-choices"),
    queryFn: () =>
      answer(api.GET("/api/properties/{propertyId}/keywords/choices", { params: { path: { propertyId } } })),
  });
}
