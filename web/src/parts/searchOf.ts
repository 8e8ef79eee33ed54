/** A query as it stands in an address; what is not given is left out. */
export function searchOf(query: Record<string, unknown>) {
  return new URLSearchParams(
    Object.entries(query).flatMap(([name, value]) => (value == null || value === "" ? [] : [[name, String(value)]])),
  );
}
