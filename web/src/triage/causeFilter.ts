import type { Cause } from "../api/client";

/** The filter that shows the items behind a cause. */
export const filterOf = (cause: Cause) => {
  const filter = new URLSearchParams({ field: cause.field, check: cause.check });
  if (cause.shared) filter.set("shared", cause.shared);
  if (cause.section) filter.set("section", cause.section);
  if (cause.trait) filter.set("having", cause.trait);
  return filter;
};
