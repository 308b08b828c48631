const OPEN = "[role=menu],[role=dialog],[role=alertdialog],[role=listbox]";

/** Whether somebody is at work in a field, or in something that is open, and would lose it with the focus. */
function isBusy(): boolean {
  const focused = document.activeElement;
  return Boolean(focused?.matches("input,textarea,select,[contenteditable]") || document.querySelector(OPEN));
}

/** Gives the focus to what came by itself, such as the title of a view, unless that took it from somebody at work. */
export function focusCalmly(element: HTMLElement | null): void {
  if (element && !isBusy()) element.focus({ preventScroll: true });
}
