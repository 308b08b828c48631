import type { ReactNode } from "react";
import { formatFor } from "../i18n/format";
import { LanguageChoice } from "../i18n/LanguageChoice";
import { useTranslation } from "../i18n/useTranslation";
import { Glyph } from "./Glyph";

/** A town with its clock. */
export interface SaidTown {
  name: string;
  time_zone: string;
  language: string;
}

interface Props {
  title: string;
  lead: string;
  /** What was said of a site that is being made: the drawings show it at once. */
  said?: { name: string; town: SaidTown | null };
  children?: ReactNode;
}

/** The day and the time there now, as the town's own language writes them. */
function Clock({ town }: { town: SaidTown | null }) {
  const { t } = useTranslation();
  const now = town && formatFor(town.language).momentIn(new Date(), town.time_zone);
  return (
    <div className="proof px-5 py-4">
      <p className="text-xs text-soft">{t("auth.clock")}</p>
      <p dir="auto" className="mt-1 font-display text-lg font-semibold">
        {town ? (
          <>
            <span className="lit">{town.name}</span> {now}
          </>
        ) : (
          <span className="font-normal text-soft">{t("auth.noTown")}</span>
        )}
      </p>
    </div>
  );
}

/** The frame of what is shown before the desk: signing in, the first account, the first site. */
export function AuthLayout({ title, lead, said, children }: Props) {
  const { t } = useTranslation();
  const name = said?.name.trim() || t("auth.name");
  return (
    <main className="grid min-h-screen lg:grid-cols-[minmax(24rem,34rem)_1fr]">
      <section className="flex flex-col justify-center bg-paper px-6 py-10 sm:px-14">
        <div className="mb-10 flex flex-wrap items-center justify-between gap-3">
          <p className="flex items-center gap-3 font-display text-lg font-semibold">
            <Glyph /> Hestor
          </p>
          <LanguageChoice />
        </div>
        <h1 className="text-[30px] leading-tight font-[650] tracking-tight text-balance">{title}</h1>
        <p className="mt-2 mb-7 text-[15px] text-soft">{lead}</p>
        {children}
      </section>
      <section
        aria-hidden
        className={`dotted place-items-center border-line px-6 py-8 max-lg:border-t lg:grid lg:border-s ${said ? "grid" : "hidden"}`}
      >
        <div className="grid w-full max-w-96 gap-6">
          {(["tab", "header", "footer"] as const).map((place) => (
            <div key={place} className="proof px-5 py-4">
              <p className="text-xs text-soft">{t(`place.${place}`)}</p>
              <p dir="auto" className="mt-1 font-display text-lg font-semibold break-words">
                {place === "footer" && t("auth.footerBefore", { year: new Date().getFullYear() })}
                <span className="lit">{name}</span>
              </p>
            </div>
          ))}
          {said && <Clock town={said.town} />}
        </div>
      </section>
    </main>
  );
}
