import type { ReactNode } from "react";
import { Link } from "react-router";
import { LanguageChoice } from "../i18n/LanguageChoice";
import { useTranslation } from "../i18n/useTranslation";

/** A view that belongs to no site: the way back, the language, a title. */
export function Apart({ title, wide = false, children }: { title: string; wide?: boolean; children: ReactNode }) {
  const { t } = useTranslation();
  return (
    <main className={`mx-auto px-6 py-10 ${wide ? "max-w-3xl" : "max-w-2xl"}`}>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <Link to="/" className="act-link">
          {t("account.back")}
        </Link>
        <LanguageChoice />
      </div>
      <h1 className="mt-4 text-[30px] leading-tight font-[650] tracking-tight">{title}</h1>
      {children}
    </main>
  );
}
