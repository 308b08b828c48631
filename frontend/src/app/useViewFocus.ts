import { useEffect, useRef } from "react";
import { useLocation } from "react-router";
import { focusCalmly } from "../ui/focusCalmly";

/** How long a view may take to fetch what its title needs. */
const PATIENCE = 4_000;

function focusTitle(): boolean {
  const title = document.querySelector<HTMLElement>("#view h1");
  if (!title) return false;
  title.tabIndex = -1;
  title.style.outline = "none";
  return focusCalmly(title);
}

/**
 * After a change of view the focus goes to the new view's title, which is read out; at the very first view the
 * browser has announced the page itself.
 */
export function useViewFocus(pathname: string): void {
  const { key } = useLocation();
  // What leads to a site, such as the form that makes one, is a view of the same page, too.
  const before = useRef(key === "default" ? pathname : "");
  useEffect(() => {
    if (before.current === pathname) return;
    before.current = pathname;
    // An address that names a spot leads there, and the view brings it to the eye.
    if (location.hash || location.search) return;
    scrollTo(0, 0);
    if (focusTitle()) return;
    const observer = new MutationObserver(() => focusTitle() && observer.disconnect());
    observer.observe(document.body, { childList: true, subtree: true });
    const stop = () => observer.disconnect();
    const timer = setTimeout(stop, PATIENCE);
    // Whoever has begun to do something would lose it with the focus: a menu would close under the click.
    addEventListener("pointerdown", stop, true);
    addEventListener("keydown", stop, true);
    return () => {
      clearTimeout(timer);
      stop();
      removeEventListener("pointerdown", stop, true);
      removeEventListener("keydown", stop, true);
    };
  }, [pathname]);
}
