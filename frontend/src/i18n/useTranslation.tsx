import i18next, { type i18n, type TFunction } from "i18next";
import { createContext, useContext, useSyncExternalStore, type ReactNode } from "react";

interface Spoken {
  language: string;
  t: TFunction;
  i18n: i18n;
}

let spoken: Spoken | null = null;

/** The desk's words in the language that it speaks now: one and the same until it speaks another. */
function now(): Spoken {
  const { language } = i18next;
  if (spoken?.language !== language) spoken = { language, t: i18next.getFixedT(language), i18n: i18next };
  return spoken;
}

function subscribe(told: () => void): () => void {
  i18next.on("languageChanged", told);
  return () => i18next.off("languageChanged", told);
}

const Words = createContext<Spoken | null>(null);

/** Has all within it follow the language of the desk. */
export function WordsProvider({ children }: { children: ReactNode }) {
  return <Words value={useSyncExternalStore(subscribe, now)}>{children}</Words>;
}

/** The desk's words. They are asked for hundreds of times in a view, so they are made once for all of it. */
export function useTranslation(): Spoken {
  return useContext(Words) ?? now();
}
