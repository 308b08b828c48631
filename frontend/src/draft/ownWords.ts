import { useFact, useFactActions } from "./hooks";

export interface OwnWordActions {
  /** What the site says in place of Hestor's own words; empty where it says nothing of its own. */
  said: (key: string) => string;
  /** Says a word otherwise from now on; an empty text gives it back to Hestor. */
  set: (key: string, text: string) => void;
}

/** The site's own words in its language. */
export function useOwnWords(): OwnWordActions {
  const facts = useFactActions();
  const own = useFact("own_words");
  const language = useFact("language");
  const spoken = language.split("-")[0] ?? language;
  return {
    said: (key) => own.find((one) => one.key === key && one.language === spoken)?.text ?? "",
    set: (key, text) => {
      const others = own.filter((one) => one.key !== key || one.language !== spoken);
      facts.choose({ own_words: text ? [...others, { language: spoken, key, text }] : others }, true);
    },
  };
}
