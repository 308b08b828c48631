import { useSyncExternalStore } from "react";

/** Below this, each row of the sheet stacks its proofs under its value, and one part is shown at a time. */
const NARROW = "(max-width: 899px)";

function subscribe(changed: () => void) {
  const query = matchMedia(NARROW);
  query.addEventListener("change", changed);
  return () => query.removeEventListener("change", changed);
}

/** Whether the window is a phone's, or no wider than one lying on its side. */
export function useNarrow(): boolean {
  return useSyncExternalStore(subscribe, () => matchMedia(NARROW).matches);
}
