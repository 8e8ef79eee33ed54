import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../../api/client";
import { ofProperty } from "../../api/queries";

const EVERY_MS = 1_000;

/** The releases of a property that are pushed; asked again while one is being worked on. */
export function usePushes(propertyId: number) {
  return useQuery({
    queryKey: ofProperty(propertyId, "pushes"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/pushes", { params: { path: { propertyId } } })),
    refetchInterval: ({ state }) => (state.data?.some((push) => push.underWay) ? EVERY_MS : false),
  });
}

/** How the content system of a property is reached; null where none is set up. */
export function useContentSystem(propertyId: number) {
  return useQuery({
    queryKey: ofProperty(propertyId, "content-system"),
    queryFn: async () =>
      (await answer(api.GET("/api/properties/{propertyId}/content-system", { params: { path: { propertyId } } })))
        .settings,
  });
}
