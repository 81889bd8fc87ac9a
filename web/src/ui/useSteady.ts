import { useCallback, useLayoutEffect, useRef } from "react";

/** A function that stays the same one, and does what the newest drawing says. */
export function useSteady<Args extends unknown[], Answer>(act: (...args: Args) => Answer): (...args: Args) => Answer {
  const newest = useRef(act);
  useLayoutEffect(() => {
    newest.current = act;
  });
  return useCallback((...args: Args) => newest.current(...args), []);
}
