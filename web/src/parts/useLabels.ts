import { useCallback } from "react";
import { useChecks } from "../api/queries";

/** What checks are called: "title more than one". */
export function useLabels(propertyId: number) {
  const { data } = useChecks(propertyId);
  return useCallback(
    (field: string, check: string) =>
      data?.find((each) => each.field === field && each.check === check)?.label ??
      `${field} ${check.replaceAll("-", " ")}`,
    [data],
  );
}
