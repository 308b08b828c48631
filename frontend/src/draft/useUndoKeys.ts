import { useEffect } from "react";
import type { Keeper, Key } from "./keeper";

/** Brings the field of a fact that was just changed from elsewhere to the eye. */
export function focusFact(fact: Key | undefined): void {
  if (fact) document.querySelector<HTMLElement>(`[data-fact="${fact}"]`)?.focus();
}

/** Ctrl+Z takes the last change of a fact back, Ctrl+Shift+Z or Ctrl+Y makes it again; ⌘ where there is one. */
export function useUndoKeys(keeper: Keeper, on: boolean): void {
  useEffect(() => {
    if (!on) return;
    function onKey(event: KeyboardEvent) {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const key = event.key.toLowerCase();
      const redo = key === "y" || (key === "z" && event.shiftKey);
      if (!redo && key !== "z") return;
      // Other fields (choosing a town, say) keep the browser's own undo.
      const target = event.target as HTMLElement;
      if (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) && !target.dataset.fact) return;
      event.preventDefault();
      focusFact(redo ? keeper.redo() : keeper.undo());
    }
    addEventListener("keydown", onKey);
    return () => removeEventListener("keydown", onKey);
  }, [keeper, on]);
}
