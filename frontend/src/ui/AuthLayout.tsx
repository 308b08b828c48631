import type { ReactNode } from "react";
import { useTranslation } from "react-i18next";
import { Glyph } from "./Glyph";

/** The frame of what is shown before the desk: signing in, the first account, the first site. */
export function AuthLayout({ title, lead, children }: { title: string; lead: string; children: ReactNode }) {
  const { t } = useTranslation();
  return (
    <main className="grid min-h-screen lg:grid-cols-[minmax(24rem,34rem)_1fr]">
      <section className="flex flex-col justify-center bg-paper px-6 py-10 sm:px-14">
        <p className="mb-10 flex items-center gap-3 font-display text-lg font-semibold">
          <Glyph /> Hestor
        </p>
        <h1 className="text-[30px] leading-tight font-[650] tracking-tight text-balance">{title}</h1>
        <p className="mt-2 mb-7 text-[15px] text-soft">{lead}</p>
        {children}
      </section>
      <section aria-hidden className="dotted hidden place-items-center border-s border-line lg:grid">
        <div className="grid gap-6">
          {(["tab", "header", "footer"] as const).map((place) => (
            <div key={place} className="proof w-96 px-5 py-4">
              <p className="text-xs text-soft">{t(`place.${place}`)}</p>
              <p className="mt-1 font-display text-lg font-semibold">
                {t(`auth.${place}Before`)}
                <span className="lit">{t("auth.name")}</span>
                {t(`auth.${place}After`)}
              </p>
            </div>
          ))}
        </div>
      </section>
    </main>
  );
}
