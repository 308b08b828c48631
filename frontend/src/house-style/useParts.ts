import { useCallback, useEffect, useState } from "react";
import { flushSync } from "react-dom";
import { useLocation } from "react-router";
import { PART_OF, PARTS, ROW_OF } from "../draft/facts";
import type { FieldRef } from "../draft/store";
import { REVEAL } from "../draft/useUndoKeys";

/** The section below the facts, which is about none of them. */
export const ADDRESS = "address";
export const FIRST = "needed";
const ALL: readonly string[] = [...PARTS.map((part) => part.id), ADDRESS];

/** Which parts were open on each site when its sheet was left. */
const left = new Map<string, ReadonlySet<string>>();

/** The part that a spot is in, by the name that addresses have for it: a part's own, or `fact-…`. */
function partOf(spot: string): string | undefined {
  if (ALL.includes(spot)) return spot;
  const row = ROW_OF.get(spot.replace(/^fact-/, ""));
  return row && PART_OF.get(row.key);
}

export interface Parts {
  isOpen: (part: string) => boolean;
  allOpen: boolean;
  toggle: (part: string) => void;
  openAll: () => void;
  foldAll: () => void;
  /** The one that is shown where there is room for one. */
  shown: string;
}

/** Which parts of a site's sheet are open. What every site needs always is; the address opens the one that it names. */
export function useParts(site: string): Parts {
  const { hash, key } = useLocation();
  const [opened, setOpened] = useState<ReadonlySet<string>>(() => left.get(site) ?? new Set([FIRST]));
  const [shown, show] = useState(FIRST);
  const reveal = useCallback((part: string | undefined) => {
    if (!part) return;
    show(part);
    setOpened((before) => (before.has(part) ? before : new Set([...before, part])));
  }, []);
  // Another navigation, even to the same spot, opens it again.
  const [named, setNamed] = useState("");
  if (named !== key) {
    setNamed(key);
    reveal(hash ? partOf(decodeURIComponent(hash.slice(1))) : undefined);
  }
  useEffect(() => void left.set(site, opened), [site, opened]);
  useEffect(() => {
    // At once, so that the field can take the focus.
    const onReveal = (event: Event) => flushSync(() => reveal(partOf((event as CustomEvent<FieldRef>).detail.key)));
    addEventListener(REVEAL, onReveal);
    return () => removeEventListener(REVEAL, onReveal);
  }, [reveal]);
  return {
    isOpen: (part) => opened.has(part),
    allOpen: ALL.every((part) => opened.has(part)),
    toggle: (part) =>
      setOpened((before) => new Set(before.has(part) ? [...before].filter((one) => one !== part) : [...before, part])),
    openAll: () => setOpened(new Set(ALL)),
    foldAll: () => setOpened(new Set([FIRST])),
    shown,
  };
}
