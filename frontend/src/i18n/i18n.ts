import i18next, { type Resource } from "i18next";
import { SPELLINGS } from "../api/lists.gen";
import en from "./en.json";
import factsEn from "./facts.en.gen.json";

/** The languages of the desk, each by its own name, so that whoever can't read the present one finds theirs. */
export const LANGUAGES = [
  { tag: "en", name: "English" },
  { tag: "de", name: "Deutsch" },
  { tag: "es", name: "Español" },
  { tag: "fr", name: "Français" },
  { tag: "ar", name: "العربية" },
] as const;
export type DeskLanguage = (typeof LANGUAGES)[number]["tag"];

/** The server reads it, too, for what it says itself; see `hestor/desk/middleware.py`. */
const COOKIE = "desk_language";
const YEAR = 31_536_000;
// British English, so that days and times come out as the words around them.
const LOCALES: Record<DeskLanguage, string> = { en: "en-GB", de: "de", es: "es", fr: "fr", ar: "ar" };
type Words = Resource[string][string];
const FETCHED: Record<Exclude<DeskLanguage, "en">, () => Promise<{ default: Words }[]>> = {
  de: () => Promise.all([import("./de.json"), import("./facts.de.gen.json")]),
  es: () => Promise.all([import("./es.json"), import("./facts.es.gen.json")]),
  fr: () => Promise.all([import("./fr.json"), import("./facts.fr.gen.json")]),
  ar: () => Promise.all([import("./ar.json"), import("./facts.ar.gen.json")]),
};

/** A language as the first region of it writes it that the browser asks for, if that spells it in its own way. */
export function regional(locale: string, asked: readonly string[]): string {
  const region = asked.find((tag) => tag.split("-")[0] === locale)?.toLowerCase();
  return SPELLINGS.find(({ tag }) => tag.toLowerCase() === region)?.tag ?? locale;
}

/** Words as a region writes them. */
function spelled(words: Words, locale: string): Words {
  const written = SPELLINGS.find(({ tag }) => tag === locale)?.written;
  if (!written) return words;
  const text = written.reduce((said, [usual, own]) => said.replaceAll(usual, own), JSON.stringify(words));
  return JSON.parse(text) as Words;
}

let later: Promise<void> | null = null;

/** Fetches the English words that only parts fetched later say; other languages are fetched whole. */
export function wordsOfLater(): Promise<void> {
  later ??= import("./en.later.json").then(
    (words) => void i18next.addResourceBundle("en", "translation", words.default, true),
    (error: unknown) => {
      // Asked for again with the next part.
      later = null;
      throw error;
    },
  );
  return later;
}

export function isDeskLanguage(tag: string | undefined): tag is DeskLanguage {
  return LANGUAGES.some((language) => language.tag === tag);
}

/** What the desk speaks until somebody says otherwise: what was chosen on this browser, else what it asks for. */
export function firstLanguage(cookie: string, asked: readonly string[]): DeskLanguage {
  const chosen = new RegExp(`(?:^|; )${COOKIE}=([a-z]+)`).exec(cookie)?.[1];
  return [chosen, ...asked.map((tag) => tag.split("-")[0])].find(isDeskLanguage) ?? "en";
}

/** The desk's language as one of `LANGUAGES`. */
export function spoken(locale: string): DeskLanguage {
  const tag = locale.split("-")[0];
  return isDeskLanguage(tag) ? tag : "en";
}

/** Has the desk speak a language from now on, whatever a site speaks. */
export async function speak(language: DeskLanguage): Promise<void> {
  const locale = regional(LOCALES[language], navigator.languages);
  if (language !== "en" && !i18next.hasResourceBundle(locale, "translation"))
    for (const words of await FETCHED[language]())
      i18next.addResourceBundle(locale, "translation", spelled(words.default, locale), true);
  await i18next.changeLanguage(locale);
  document.documentElement.lang = locale;
  document.documentElement.dir = i18next.dir(locale);
}

/** Keeps what was chosen in this browser, for the next visit and for what the server says. */
export function rememberLanguage(language: DeskLanguage): void {
  const secure = location.protocol === "https:" ? "; Secure" : "";
  document.cookie = `${COOKIE}=${language}; Path=/; Max-Age=${String(YEAR)}; SameSite=Lax${secure}`;
}

void i18next.init({
  lng: "en-GB",
  fallbackLng: "en",
  resources: { en: { translation: { ...en, ...factsEn } } },
  interpolation: { escapeValue: false },
  returnNull: false,
});

export default i18next;
