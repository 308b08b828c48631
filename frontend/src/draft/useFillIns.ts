import { useId, useState, type KeyboardEvent, type SyntheticEvent } from "react";
import { FILL_INS } from "../api/lists.gen";

export type FillIn = (typeof FILL_INS)[number];
const MOST = 8;
const BEGUN = /\{([\w:-]*)$/;

/** The fill-in that is being written before the caret, without its brace; null where none is. */
function begunIn({ value, selectionStart, selectionEnd }: HTMLTextAreaElement): string | null {
  if (selectionStart !== selectionEnd) return null;
  return BEGUN.exec(value.slice(0, selectionStart))?.[1] ?? null;
}

/** The fill-ins that begin so; those that only have it within come after, once it is more than a letter. */
function fitting(begun: string): FillIn[] {
  const first = FILL_INS.filter(({ text }) => text.startsWith(begun));
  const within = FILL_INS.filter(({ text }) => begun.length > 1 && !text.startsWith(begun) && text.includes(begun));
  return [...first, ...within].slice(0, MOST);
}

/** Offers fill-ins in a plain text, as soon as a brace is typed: arrows choose, Enter or Tab takes, Escape closes. */
export function useFillIns(isOn: boolean, write: (text: string) => void) {
  const id = useId();
  const [begun, setBegun] = useState<string | null>(null);
  const [at, setAt] = useState(0);
  const offered = isOn && begun !== null ? fitting(begun) : [];
  function follow(event: SyntheticEvent<HTMLTextAreaElement>) {
    if (!isOn) return;
    const now = begunIn(event.currentTarget);
    if (now !== begun) setAt(0);
    setBegun(now);
  }
  function take(field: HTMLTextAreaElement, chosen: FillIn) {
    const before = field.value.slice(0, field.selectionStart).replace(BEGUN, `{${chosen.text}}`);
    const after = field.value.slice(field.selectionStart).replace(/^\}/, "");
    write(before + after);
    setBegun(null);
    // Once the new text stands there.
    requestAnimationFrame(() => {
      field.focus();
      field.setSelectionRange(before.length, before.length);
    });
  }
  /** Whether a key was meant for what is offered. */
  function onKey(event: KeyboardEvent<HTMLTextAreaElement>): boolean {
    if (offered.length === 0 || event.nativeEvent.isComposing) return false;
    const chosen = offered[at];
    if (event.key === "ArrowDown") setAt((at + 1) % offered.length);
    else if (event.key === "ArrowUp") setAt((at + offered.length - 1) % offered.length);
    else if (event.key === "Escape") setBegun(null);
    else if ((event.key === "Enter" || event.key === "Tab") && chosen) take(event.currentTarget, chosen);
    else return false;
    event.preventDefault();
    event.stopPropagation();
    return true;
  }
  return { id, offered, at, follow, take, onKey, close: () => setBegun(null) };
}
