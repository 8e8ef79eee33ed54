import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../api/client";
import { ofProperty } from "../api/queries";

/** What was worked out of a property besides its targets: the click curve, pages to add, what the demand is made of. */
export function useAimSummary(propertyId: number) {
  return useQuery({
    queryKey: ofProperty(propertyId, "aim"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/aim", { params: { path: { propertyId } } })),
  });
}
