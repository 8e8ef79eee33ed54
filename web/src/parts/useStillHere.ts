import { useCallback, useRef } from "react";

/**
 * Says whether the address is still the one a view was drawn for. A click may have led on while the view is drawn a
 * moment longer; what it then does to the address would land on the next view.
 */
export function useStillHere() {
  const path = useRef(window.location.pathname);
  return useCallback(() => window.location.pathname === path.current, []);
}
