import i18next from "i18next";
import type { DeskLanguage } from "../i18n/i18n";
import { VIEWS } from "./views";

/** What can be done from anywhere on a site. */
export const ACTIONS = [
  "review",
  "undo",
  "redo",
  "visit",
  "shortcuts",
  "newSite",
  "account",
  "wellBeing",
  "signOut",
] as const;

/** The views of a site that can be gone to, those without a place in the bar too. */
export const SITE_VIEWS = [...VIEWS, "to-say", "whole-site"] as const;

/** Parts of views that have a name of their own. */
export const SPOTS = ["address"] as const;

const FETCHED: Record<DeskLanguage, () => Promise<{ default: object }>> = {
  en: () => import("../i18n/found.en.json"),
  de: () => import("../i18n/found.de.json"),
  es: () => import("../i18n/found.es.json"),
  fr: () => import("../i18n/found.fr.json"),
  ar: () => import("../i18n/found.ar.json"),
};

/** Fetches what people call things, in a language of the desk; nobody needs it before something is sought. */
export async function fetchWords(language: DeskLanguage): Promise<void> {
  const words = await FETCHED[language]();
  i18next.addResourceBundle(language, "translation", words.default, true);
}

/** The everyday words by which an entry is found, in the language of the desk. */
export function foundWords(key: string): string[] {
  const words = i18next.t(`found.${key.replace(" ", "_")}`, { returnObjects: true, defaultValue: [] }) as unknown;
  return Array.isArray(words) ? words.map(String) : [];
}
