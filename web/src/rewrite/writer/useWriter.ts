import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useCallback, useMemo, useState } from "react";
import { answer, api, type ItemRow, type WriterCell } from "../../api/client";
import { ofProperty } from "../../api/queries";

const LOOK_AGAIN_MS = 1_500;
const NONE: ReadonlyMap<string, WriterCell> = new Map();

/** How the text-generation service is reached; null where none is set up yet. */
export function useService() {
  return useQuery({
    queryKey: ["writer-service"],
    queryFn: () => answer(api.GET("/api/writer/service")).then(({ settings }) => settings ?? null),
  });
}

/** What still waits of the last run; asked again and again while it is under way. */
export function useUnfinished(propertyId: number, on: boolean) {
  return useQuery({
    queryKey: ofProperty(propertyId, "writer-unfinished"),
    enabled: on,
    queryFn: () =>
      answer(api.GET("/api/properties/{propertyId}/writer/unfinished", { params: { path: { propertyId } } })),
    refetchInterval: (query) => (query.state.data?.underWay ? LOOK_AGAIN_MS : false),
  });
}

/** The columns of the writer, with how far each is. */
export function useWriterColumns(propertyId: number, on: boolean, underWay: boolean) {
  return useQuery({
    queryKey: ofProperty(propertyId, "writer-columns"),
    enabled: on,
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/writer/columns", { params: { path: { propertyId } } })),
    refetchInterval: underWay ? LOOK_AGAIN_MS : false,
  });
}

const keyOf = (columnId: number, itemId: number) => `${columnId} ${itemId}`;

/** The answers for the rows in view. */
export function useWriterCells(propertyId: number, on: boolean, underWay: boolean) {
  const [view, setView] = useState<ItemRow[]>([]);
  const ids = view.map((row) => row.id);
  const found = useQuery({
    queryKey: ofProperty(propertyId, "writer-cells", ids.join()),
    enabled: on && ids.length > 0,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/properties/{propertyId}/writer/cells", {
          params: { path: { propertyId }, query: { ids } },
          signal,
        }),
      ),
    refetchInterval: underWay ? LOOK_AGAIN_MS : false,
  });
  const cells = useMemo(
    () => (found.data ? new Map(found.data.map((cell) => [keyOf(cell.columnId, cell.itemId), cell])) : NONE),
    [found.data],
  );
  const cellOf = useCallback((columnId: number, itemId: number) => cells.get(keyOf(columnId, itemId)), [cells]);
  return { onView: setView, cellOf };
}
