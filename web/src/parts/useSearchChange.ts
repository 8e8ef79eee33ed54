import { useCallback, useEffect } from "react";
import { useSearchParams } from "react-router";
import { useStillHere } from "./useStillHere";

/** What the address was asked to become while it is drawn as it was: two changes in quick succession must not undo each other. */
let asked: URLSearchParams | undefined;

/** Changes parts of what the address asks for; an empty part is taken out. Typing replaces the address, so that one step back leaves it; what is cleared can be brought back by it. */
export function useSearchChange() {
  const [search, setSearch] = useSearchParams();
  const stillHere = useStillHere();
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new address is drawn
  useEffect(() => {
    asked = undefined;
  }, [search]);
  return useCallback(
    (changes: Record<string, string | undefined>) => {
      if (!stillHere()) return;
      setSearch(
        (drawn) => {
          const next = new URLSearchParams(asked ?? drawn);
          for (const [name, value] of Object.entries(changes)) {
            if (value) next.set(name, value);
            else next.delete(name);
          }
          asked = next;
          return next;
        },
        { replace: Boolean(changes.q) },
      );
    },
    [setSearch, stillHere],
  );
}
