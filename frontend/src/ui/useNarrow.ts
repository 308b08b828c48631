import { useCallback, useSyncExternalStore } from "react";

/** Below this, each row of the sheet stacks its proofs under its value, and one part is shown at a time. */
const NARROW = "(max-width: 899px)";

/** Whether a media query (W3C Media Queries 4) is true of the window, followed as it changes. */
export function useMatch(media: string): boolean {
  const subscribe = useCallback(
    (changed: () => void) => {
      const query = matchMedia(media);
      query.addEventListener("change", changed);
      return () => query.removeEventListener("change", changed);
    },
    [media],
  );
  return useSyncExternalStore(subscribe, () => matchMedia(media).matches);
}

/** Whether the window is a phone's, or no wider than one lying on its side. */
export function useNarrow(): boolean {
  return useMatch(NARROW);
}
