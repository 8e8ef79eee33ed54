import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../api/client";
import { ofProperty } from "../api/queries";

/** Everything that stands on a review list, what is due first. */
export function useReviews(propertyId: number) {
  return useQuery({
    queryKey: ofProperty(propertyId, "reviews"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/reviews", { params: { path: { propertyId } } })),
  });
}
