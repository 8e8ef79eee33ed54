import { useCallback } from "react";
import { useSearchParams } from "react-router";

/** Changes parts of what the address asks for; an empty part is taken out. Typing replaces the address, so that one step back leaves it. */
export function useSearchChange() {
  const [, setSearch] = useSearchParams();
  return useCallback(
    (changes: Record<string, string | undefined>) =>
      setSearch(
        (before) => {
          for (const [name, value] of Object.entries(changes)) {
            if (value) before.set(name, value);
            else before.delete(name);
          }
          return before;
        },
        { replace: "q" in changes },
      ),
    [setSearch],
  );
}
