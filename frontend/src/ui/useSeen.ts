import { useEffect, useState, type RefObject } from "react";

/** How far from the window something counts as seen, so that it is there when somebody gets to it. */
const AHEAD = "600px";

/** Whether something has come near the window yet: what only then is of use is not fetched before. */
export function useSeen(element: RefObject<HTMLElement | null>): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    if (!element.current || seen) return;
    const observer = new IntersectionObserver(([entry]) => entry?.isIntersecting && setSeen(true), {
      rootMargin: AHEAD,
    });
    observer.observe(element.current);
    return () => observer.disconnect();
  }, [element, seen]);
  return seen;
}
