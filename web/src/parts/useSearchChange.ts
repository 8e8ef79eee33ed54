import { useCallback, useContext } from "react";
import { UNSAFE_DataRouterContext as DataRouter, useSearchParams } from "react-router";
import { useStillHere } from "./useStillHere";

/** Changes parts of what the address asks for; an empty part is taken out. Typing replaces the address, so that one step back leaves it; what is cleared can be brought back by it. */
export function useSearchChange() {
  const [, setSearch] = useSearchParams();
  const stillHere = useStillHere();
  const router = useContext(DataRouter)?.router;
  return useCallback(
    (changes: Record<string, string | undefined>) =>
      stillHere() &&
      setSearch(
        (drawn) => {
          // What is drawn may lag behind the address: two changes in quick succession must not undo each other.
          const before = router ? new URLSearchParams(router.state.location.search) : drawn;
          for (const [name, value] of Object.entries(changes)) {
            if (value) before.set(name, value);
            else before.delete(name);
          }
          return before;
        },
        { replace: Boolean(changes.q) },
      ),
    [setSearch, stillHere, router],
  );
}
