const OPEN = "[role=menu],[role=dialog],[role=alertdialog]";

/** Whether somebody is at work in a field, or in something that is open, and would lose it with the focus. */
function isBusy(): boolean {
  const focused = document.activeElement;
  return Boolean(focused?.matches("input,textarea,select,[contenteditable]") || document.querySelector(OPEN));
}

/**
 * Gives the focus to what came by itself, such as the title of a view, unless that took it from somebody at work; says
 * whether it did.
 */
export function focusCalmly(element: HTMLElement | null): boolean {
  if (!element || isBusy()) return false;
  element.focus({ preventScroll: true });
  return true;
}
