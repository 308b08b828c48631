import { useTranslation } from "../i18n/useTranslation";

/** What a country (ISO 3166) is called in the desk's language. */
export function useCountryName(code: string): string {
  const { i18n } = useTranslation();
  if (!code) return "";
  return new Intl.DisplayNames([i18n.language], { type: "region" }).of(code) ?? code;
}
