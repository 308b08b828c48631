import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { api, type Session } from "../api/client";
import { isDeskLanguage, rememberLanguage, speak, spoken } from "../i18n/i18n";
import { useTranslation } from "../i18n/useTranslation";
import { SESSION } from "./api";

/** Has the desk speak what the person chose, wherever they did; and keeps what they choose here with their account. */
export function useOwnLanguage(session: Session | undefined): void {
  const { i18n } = useTranslation();
  const queries = useQueryClient();
  const email = session?.account?.email;
  const chosen = session?.account?.language;
  useEffect(() => {
    if (!isDeskLanguage(chosen) || chosen === spoken(i18n.language)) return;
    rememberLanguage(chosen);
    void speak(chosen).catch(() => undefined);
    // Only when somebody signs in: what is chosen afterwards is told to the account below.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [email]);
  useEffect(() => {
    if (!email) return;
    const keep = (locale: string) => {
      const language = spoken(locale);
      const account = queries.getQueryData<Session>(SESSION)?.account;
      if (!account || account.language === language) return;
      queries.setQueryData<Session>(SESSION, (now) => now && { ...now, account: { ...account, language } });
      void api.POST("/api/account/language", { body: { language } }).catch(() => undefined);
      // What the server said in words, it says in the new language.
      void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== SESSION[0] });
    };
    i18n.on("languageChanged", keep);
    return () => i18n.off("languageChanged", keep);
  }, [email, i18n, queries]);
}
