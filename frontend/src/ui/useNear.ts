import { useEffect, useState, type RefObject } from "react";

/** Whether something is in the window, or so many pixels from it: what is fetched for it is there when it is seen. */
export function useNear(element: RefObject<HTMLElement | null>, ahead = 300): boolean {
  const [near, setNear] = useState(false);
  useEffect(() => {
    if (!element.current) return;
    const observer = new IntersectionObserver(([entry]) => setNear(entry?.isIntersecting ?? false), {
      rootMargin: `${String(ahead)}px`,
    });
    observer.observe(element.current);
    return () => observer.disconnect();
  }, [element, ahead]);
  return near;
}
