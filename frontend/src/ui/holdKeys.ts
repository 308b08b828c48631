/** How long a field may take to stand; what was typed until then is its own. */
const PATIENCE = 6_000;

function isText(element: Element | null): boolean {
  return element instanceof HTMLTextAreaElement || (element instanceof HTMLInputElement && element.type !== "radio");
}

/**
 * Takes what is typed from now on until a text field `within` something that is still to come has the focus, and puts
 * it in there: nothing that somebody types while a view is drawn goes astray. A click, or a key that is no letter, ends it.
 */
export function holdKeys(within: () => Element | null): void {
  let held = "";
  function end() {
    removeEventListener("keydown", onKey, true);
    removeEventListener("pointerdown", end, true);
    document.removeEventListener("focusin", onFocus, true);
    clearTimeout(timer);
  }
  function onFocus() {
    if (!within()?.contains(document.activeElement)) return;
    document.removeEventListener("focusin", onFocus, true);
    // The browser sets the caret only after it has told of the focus.
    setTimeout(put, 0);
  }
  function put() {
    end();
    // As if it were typed just now: the field's own listeners hear of it, and the browser's undo knows it.
    // Nothing else keeps the undo of the browser.
    // eslint-disable-next-line @typescript-eslint/no-deprecated
    if (held && isText(document.activeElement)) document.execCommand("insertText", false, held);
  }
  function onKey(event: KeyboardEvent) {
    if (event.isComposing || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === "Backspace") held = held.slice(0, -1);
    else if (event.key.length === 1) held += event.key;
    else {
      if (event.key !== "Enter" && event.key !== "Shift") end();
      return;
    }
    event.preventDefault();
    event.stopPropagation();
  }
  const timer = setTimeout(end, PATIENCE);
  addEventListener("keydown", onKey, true);
  addEventListener("pointerdown", end, true);
  document.addEventListener("focusin", onFocus, true);
}
