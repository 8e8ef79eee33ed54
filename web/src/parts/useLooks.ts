import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api } from "../api/client";

/** How texts of an item will look on a result page, and what they are held to; measured on the server as they are typed. */
export function useLooks(
  propertyId: number,
  itemId: number,
  title: string,
  description: string,
  keyword: string,
  date = "",
) {
  return useQuery({
    queryKey: ["looks", propertyId, itemId, title, description, keyword, date],
    queryFn: ({ signal }) =>
      answer(
        api.POST("/api/properties/{propertyId}/looks", {
          params: { path: { propertyId } },
          body: { title, description, keyword, itemId, date },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  });
}
