import { useEffect } from "react";
import { fieldName, type DraftStore, type FieldRef } from "./store";

/** Asks the view that is open to draw a field that is not drawn yet. */
export const REVEAL = "hestor:reveal";

/** Brings a field that was just changed from elsewhere to the eye. */
export function focusField(field: FieldRef | undefined): void {
  if (!field) return;
  const find = () => document.querySelector<HTMLElement>(`[data-field="${fieldName(field.document, field.key)}"]`);
  if (!find()) dispatchEvent(new CustomEvent<FieldRef>(REVEAL, { detail: field }));
  find()?.focus();
}

/** Ctrl+Z takes the last change back, Ctrl+Shift+Z or Ctrl+Y makes it again; ⌘ where there is one. */
export function useUndoKeys(store: DraftStore, on: boolean): void {
  useEffect(() => {
    if (!on) return;
    function onKey(event: KeyboardEvent) {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const key = event.key.toLowerCase();
      const redo = key === "y" || (key === "z" && event.shiftKey);
      if (!redo && key !== "z") return;
      // Other fields (choosing a town, say) keep the browser's own undo.
      const target = event.target as HTMLElement;
      if (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) && !target.dataset.field) return;
      event.preventDefault();
      focusField(redo ? store.redo() : store.undo());
    }
    addEventListener("keydown", onKey);
    return () => removeEventListener("keydown", onKey);
  }, [store, on]);
}
