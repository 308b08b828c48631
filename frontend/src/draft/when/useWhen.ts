import { useRef, useState } from "react";
import type { Told } from "./useTyped";

/** A day or a time in a form, and acts on it that wait until what is being typed is understood. */
export function useWhen(initial = "") {
  const [value, setValue] = useState(initial);
  const latest = useRef(initial);
  const isTyping = useRef(false);
  const waiting = useRef<((value: string) => void) | null>(null);
  const field: Told & { value: string } = {
    value,
    onChoose: (next) => {
      latest.current = next;
      setValue(next);
    },
    onTyping: (typing) => {
      isTyping.current = typing;
      const act = waiting.current;
      waiting.current = null;
      if (!typing) act?.(latest.current);
    },
  };
  /** Does something with the value: at once, or as soon as it is understood; never, where it is not. */
  function withValue(act: (value: string) => void) {
    if (isTyping.current) waiting.current = act;
    else act(latest.current);
  }
  return { field, withValue };
}
