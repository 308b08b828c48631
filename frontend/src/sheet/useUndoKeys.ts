import { useEffect } from "react";
import type { Keeper } from "./keeper";

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
      const fact = redo ? keeper.redo() : keeper.undo();
      if (fact) document.querySelector<HTMLElement>(`[data-fact="${fact}"]`)?.focus();
    }
    addEventListener("keydown", onKey);
    return () => removeEventListener("keydown", onKey);
  }, [keeper, on]);
}
