import type { Cause } from "../api/client";

/** The filter that shows the items behind a cause. */
export const filterOf = (cause: Cause) => {
  const filter = new URLSearchParams({ field: cause.field, check: cause.check });
  if (cause.shared) filter.set("shared", cause.shared);
  if (cause.section) filter.set("section", cause.section);
  if (cause.trait) filter.set("having", cause.trait);
  return filter;
};

/** What tells a cause from all others. */
export const keyOf = ({ field, check, shared, section, trait }: Cause) =>
  [field, check, shared, section, trait].join("\n");

/** The single causes of one that may be merged. */
export const partsOf = (cause: Cause) => (cause.parts.length > 0 ? cause.parts : [cause]);
