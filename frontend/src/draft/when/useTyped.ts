import { useEffect, useRef, useState } from "react";
import { api, result, type Schemas } from "../../api/client";
import { useSite } from "../hooks";
import { valueOf, type Wanted } from "./shown";

export type Typed = Schemas["TypedOut"];

/** So long after the last key a text is read. */
const REST = 400;

function readTyped(site: string, text: string, wanted: Wanted): Promise<Typed> {
  return result<Typed>(
    api.POST("/api/sites/{site}/dates/read", { params: { path: { site } }, body: { text, wanted } }),
  );
}

export interface Told {
  onChoose: (value: string) => void;
  /** Whether a text stands there that is not understood, or not yet. */
  onTyping: (isTyping: boolean) => void;
}

/** What somebody types for a day or a time: the text while it is typed, and what it is understood as. */
export function useTyped(wanted: Wanted, isNeeded: boolean, { onChoose, onTyping }: Told) {
  const site = useSite().slug;
  const [text, setText] = useState<string | null>(null);
  const [typed, setTyped] = useState<Typed | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const asked = useRef(0);
  // An answer comes later: it is told to the form as it is then, with what other fields said meanwhile.
  const told = useRef<Told>({ onChoose, onTyping });
  useEffect(() => {
    told.current = { onChoose, onTyping };
  });
  // A field that was taken away says nothing any more: what it stood for is gone.
  useEffect(
    () => () => {
      clearTimeout(timer.current);
      asked.current += 1;
    },
    [],
  );

  function forget() {
    clearTimeout(timer.current);
    asked.current += 1;
    setText(null);
    setTyped(null);
    told.current.onTyping(false);
  }

  function empty(isOver: boolean) {
    if (!isNeeded) told.current.onChoose("");
    if (isOver || !isNeeded) forget();
  }

  async function understand(now: string, isOver: boolean) {
    clearTimeout(timer.current);
    if (!now.trim()) {
      empty(isOver);
      return;
    }
    asked.current += 1;
    const own = asked.current;
    const read = await readTyped(site, now, wanted).catch(() => null);
    // Without an answer the text stays, and is read again at the next key.
    if (!read || own !== asked.current) return;
    setTyped(read);
    const value = valueOf(wanted, read);
    if (value) told.current.onChoose(value);
    told.current.onTyping(!value);
    if (value && isOver) forget();
  }

  function type(next: string) {
    setText(next);
    setTyped(null);
    told.current.onTyping(true);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => void understand(next, false), REST);
  }

  /** Ends the typing: what is understood stands there in its own form, what is not stays with what is wrong. */
  function leave() {
    if (text === null) return;
    // What rested long enough was read and told already.
    if (typed && valueOf(wanted, typed)) forget();
    else void understand(text, true);
  }

  return { text, typed, type, leave, forget };
}
