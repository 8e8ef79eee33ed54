import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useCallback, useMemo, useState } from "react";
import { answer, api, type ItemRow } from "../api/client";
import { ofProperty } from "../api/queries";

const NONE: string[] = [];

/** The imported columns of a property that stand for nothing of ours. */
export function useImportedColumns(propertyId: number) {
  const { data } = useQuery({
    queryKey: ofProperty(propertyId, "imported-columns"),
    queryFn: () =>
      answer(api.GET("/api/properties/{propertyId}/imported-columns", { params: { path: { propertyId } } })),
  });
  return data ?? NONE;
}

const keyOf = (column: string, itemId: number) => `${itemId} ${column}`;

/** What stands in them for the rows in view. */
export function useImportedCells(propertyId: number, on: boolean) {
  const [view, setView] = useState<ItemRow[]>([]);
  const ids = view.map((row) => row.id);
  const found = useQuery({
    queryKey: ofProperty(propertyId, "imported-cells", ids.join()),
    enabled: on && ids.length > 0,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/properties/{propertyId}/imported-columns/cells", {
          params: { path: { propertyId }, query: { ids } },
          signal,
        }),
      ),
  });
  const cells = useMemo(
    () => new Map((found.data ?? []).map((cell) => [keyOf(cell.column, cell.itemId), cell.text])),
    [found.data],
  );
  const textOf = useCallback((column: string, itemId: number) => cells.get(keyOf(column, itemId)) ?? "", [cells]);
  return { onView: setView, textOf };
}
