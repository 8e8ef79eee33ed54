import type { QueryClient } from "@tanstack/react-query";

/**
 * Has everything below a key asked for again, since something of it has changed; without a key, everything. What is being asked
 * for the first time just then may be answered as it was before the change, and would stay so: it is asked for once more.
 */
export async function renew(queries: QueryClient, queryKey?: readonly unknown[]) {
  const early = queries
    .getQueryCache()
    .findAll({ queryKey, fetchStatus: "fetching", predicate: (query) => query.state.data === undefined });
  await queries.invalidateQueries({ queryKey });
  if (early.length > 0) await queries.invalidateQueries({ predicate: (query) => early.includes(query) });
}
