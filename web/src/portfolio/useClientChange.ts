import { useMutation, useQueryClient } from "@tanstack/react-query";
import { renew } from "../api/renew";

/** A change to clients or properties; all that is shown is asked again. */
export function useClientChange<In, Out>(change: (input: In) => Promise<Out>, done?: () => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: async () => {
      await renew(queries);
      done?.();
    },
  });
}
