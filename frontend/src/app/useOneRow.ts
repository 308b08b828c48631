import { useLayoutEffect, useState, useSyncExternalStore, type RefObject } from "react";

function subscribe(changed: () => void) {
  addEventListener("resize", changed);
  return () => removeEventListener("resize", changed);
}

/**
 * Whether the bar's parts all stand in one row: as long as `scrolled`, the one of them that can be scrolled, shows all
 * of itself. That depends on language, counts and names, so it is measured, and again when `words` are others.
 */
export function useOneRow(scrolled: RefObject<HTMLElement | null>, words: string): boolean {
  const width = useSyncExternalStore(subscribe, () => window.innerWidth);
  const [least, setLeast] = useState({ words, width: 0 });
  const isOneRow = width >= (least.words === words ? least.width : 0);
  // Before anything is painted, so that nobody sees one row become two.
  useLayoutEffect(() => {
    const part = scrolled.current;
    if (!part || !isOneRow) return;
    const hidden = part.scrollWidth - part.clientWidth;
    // What fits is only known once it is laid out.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (hidden > 0) setLeast({ words, width: width + hidden });
  }, [scrolled, words, width, isOneRow]);
  return isOneRow;
}
