import { useEffect, type RefObject } from "react";
import { useLocation } from "react-router";

export interface Named {
  /** The number that the address names, such as 7 in `?page=7`; null where it names none. */
  number: number | null;
  /** Another one each time that an address is gone to, even if it is the same. */
  visit: string;
}

/** What the address names in a view, so that something else can lead right to it. */
export function useNamed(name: string): Named {
  const { search, key } = useLocation();
  const number = Number(new URLSearchParams(search).get(name));
  return { number: Number.isInteger(number) && number > 0 ? number : null, visit: key };
}

/** Brings what is named to the eye, and gives the focus to its first control. */
export function useComesIntoView(element: RefObject<HTMLElement | null>, named: boolean): void {
  useEffect(() => {
    if (!named) return;
    element.current?.scrollIntoView({ block: "center" });
    element.current?.querySelector<HTMLElement>("button, a")?.focus({ preventScroll: true });
  }, [element, named]);
}
