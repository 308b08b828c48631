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

/** Where it is kept which parts are open: as long as the tab is, whichever site is looked at. */
const KEPT = "hestor.parts";
const SHOWN = "hestor.part";

function kept(): ReadonlySet<string> {
  try {
    const read: unknown = JSON.parse(sessionStorage.getItem(KEPT) ?? "[]");
    const known = Array.isArray(read) ? read.map(String).filter((part) => ALL.includes(part)) : [];
    return new Set([FIRST, ...known]);
  } catch {
    return new Set([FIRST]);
  }
}

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

/** Which parts of the sheet are open. What every site needs always is; the address opens the one that it names. */
export function useParts(): Parts {
  const { hash, key } = useLocation();
  const [opened, setOpened] = useState(kept);
  const [shown, show] = useState(() => partOf(sessionStorage.getItem(SHOWN) ?? "") ?? FIRST);
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
  useEffect(() => sessionStorage.setItem(KEPT, JSON.stringify([...opened])), [opened]);
  useEffect(() => sessionStorage.setItem(SHOWN, shown), [shown]);
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
