import { useCallback } from "react";
import { useSearchParams } from "react-router";
import { useStillHere } from "./useStillHere";

/** Changes parts of what the address asks for; an empty part is taken out. Typing replaces the address, so that one step back leaves it; what is cleared can be brought back by it. */
export function useSearchChange() {
  const [, setSearch] = useSearchParams();
  const stillHere = useStillHere();
  return useCallback(
    (changes: Record<string, string | undefined>) =>
      stillHere() &&
      setSearch(
        (before) => {
          for (const [name, value] of Object.entries(changes)) {
            if (value) before.set(name, value);
            else before.delete(name);
          }
          return before;
        },
        { replace: Boolean(changes.q) },
      ),
    [setSearch, stillHere],
  );
}
