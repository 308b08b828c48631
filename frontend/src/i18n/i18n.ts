import i18next from "i18next";
import { initReactI18next } from "react-i18next";
import en from "./en.json";

/** The desk's own words. Its language is that of the person, never that of a site. */
void i18next.use(initReactI18next).init({
  // British English, so that days and times come out as the words around them.
  lng: "en-GB",
  fallbackLng: "en",
  resources: { en: { translation: en } },
  interpolation: { escapeValue: false },
  returnNull: false,
});

export default i18next;
