import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, api } from "./client";
import { renew } from "./renew";

/** Everything that is kept of a property stands below this key, so that one change makes all of it asked again. */
export const ofProperty = (propertyId: number, ...rest: unknown[]) => ["property", propertyId, ...rest];

export function usePortfolio() {
  return useQuery({ queryKey: ["portfolio"], queryFn: () => answer(api.GET("/api/portfolio")) });
}

export function useClients() {
  return useQuery({ queryKey: ["clients"], queryFn: () => answer(api.GET("/api/clients")) });
}

export function useStanding(propertyId: number) {
  return useQuery({
    queryKey: ofProperty(propertyId, "standing"),
    meta: { shown: true },
    queryFn: () => answer(api.GET("/api/properties/{id}/standing", { params: { path: { id: propertyId } } })),
  });
}

/** Work on a property; without one, the work that belongs to none. */
export const jobsOf = (propertyId?: number | null) => (propertyId ? ofProperty(propertyId, "jobs") : ["jobs"]);

export function useJobs(propertyId?: number) {
  return useQuery({
    queryKey: jobsOf(propertyId),
    queryFn: () =>
      answer(
        propertyId
          ? api.GET("/api/properties/{propertyId}/jobs", { params: { path: { propertyId } } })
          : api.GET("/api/jobs"),
      ),
  });
}

export function useSections(propertyId: number) {
  return useQuery({
    queryKey: ofProperty(propertyId, "sections"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/sections", { params: { path: { propertyId } } })),
  });
}

export function useChecks(propertyId: number) {
  return useQuery({
    queryKey: ofProperty(propertyId, "checks"),
    queryFn: () =>
      answer(api.GET("/api/properties/{propertyId}/findings/checks", { params: { path: { propertyId } } })),
  });
}

/** The named sets of a property's items. */
export function useSets(propertyId: number) {
  return useQuery({
    queryKey: ofProperty(propertyId, "sets"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/sets", { params: { path: { propertyId } } })),
  });
}

export const batchesOf = (propertyId: number) => ({
  queryKey: ofProperty(propertyId, "batches"),
  queryFn: () => answer(api.GET("/api/properties/{propertyId}/batches", { params: { path: { propertyId } } })),
});

export function useBatches(propertyId: number) {
  return useQuery(batchesOf(propertyId));
}

/** A change to a property's data; everything shown of it is asked again afterwards. */
export function useChange<In, Out>(
  propertyId: number,
  change: (input: In) => Promise<Out>,
  /** Whoever makes the change says itself what went wrong. */
  own?: "says its problems",
) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    meta: { quiet: own !== undefined },
    onSuccess: () => Promise.all([renew(queries, ofProperty(propertyId)), renew(queries, ["portfolio"])]),
  });
}
