import { useEffect, useState } from "react";
import { useLocation } from "react-router";
import { BrandReportProvider } from "../brand";
import { BANDS, type Band } from "../draft/facts";
import { useSelect, useSite, useStore } from "../draft/hooks";
import { UndoButtons } from "../draft/UndoButtons";
import { useUndoKeys } from "../draft/useUndoKeys";
import { useTranslation } from "../i18n/useTranslation";
import { PageSelect, usePageChoices } from "../pages";
import { ProofsProvider, useProofs } from "../proofs/ProofsProvider";
import { AddressSection } from "../sites";
import { Notice } from "../ui/Notice";
import { FactRow } from "./FactRow";
import { Index } from "./Index";
import { MomentChoice } from "../proofs/MomentChoice";

/** The page whose proofs the sheet shows: the chosen one while it is there, else the one that the house style names. */
function useShownPage(site: string) {
  const pages = usePageChoices(site).data;
  const proposed = useSelect(({ facts }) => facts.state.meta.shown_on);
  const [chosen, choose] = useState(proposed);
  const [at, chooseAt] = useState("");
  // Of very many pages not all are at hand; one that is gone is told by its proofs.
  const known = (path: string) =>
    !pages || pages.count > pages.rows.length || pages.rows.some((page) => page.path === path);
  // The pages may have changed since the house style was read.
  const path = [chosen, proposed].find(known) ?? "/";
  return { count: pages?.count ?? 0, path, choose, at, chooseAt };
}

/** What keeps the whole sheet from working: no connection, or nobody signed in any more. */
function Trouble() {
  const { t } = useTranslation();
  const lost = useProofs((state) => state.lost);
  const signedOut = useSelect(({ facts }) => Object.values(facts.state.statuses).includes("signedOut"));
  if (!lost && !signedOut) return null;
  return (
    <div className="px-6 pt-4">
      <Notice tone="stop">{signedOut ? t("state.signedOut") : t("state.noConnection")}</Notice>
    </div>
  );
}

interface SectionProps {
  band: Band;
  readOnly: boolean;
  first: boolean;
  shown: ReturnType<typeof useShownPage>;
}

function BandSection({ band, readOnly, first, shown }: SectionProps) {
  const { t } = useTranslation();
  // The view has one title; further bands are its parts.
  const Heading = first ? "h1" : "h2";
  return (
    <section id={band.id} aria-labelledby={`${band.id}-title`} className="scroll-mt-28 lg:scroll-mt-16">
      <div className="flex flex-wrap items-baseline gap-x-3 px-6 pt-4 pb-3">
        <Heading id={`${band.id}-title`} className="text-[22px] leading-none font-[650] tracking-tight">
          {t(`band.${band.id}.title`)}
        </Heading>
        <p className="text-soft">{t(`band.${band.id}.lead`)}</p>
        {first && !readOnly && <UndoButtons />}
      </div>
      <div className="grid border-b border-ink text-xs text-soft min-[900px]:grid-cols-[174px_minmax(300px,368px)_1fr]">
        <span className="px-6 py-1.5 max-[899px]:hidden">{t("sheet.fact")}</span>
        <span className="py-1.5 max-[899px]:hidden">{t("sheet.value")}</span>
        <span className="flex items-center justify-between gap-3 bg-board py-1.5 ps-4.5 pe-4 max-[899px]:ps-6">
          {t("sheet.places")}
          {first && shown.count > 0 && (
            <PageSelect
              label={t("sheet.onPage")}
              value={shown.path}
              keyOf={(page) => page.path}
              onChoose={shown.choose}
            />
          )}
          {band.id === "clock" && <MomentChoice at={shown.at} onChoose={shown.chooseAt} />}
        </span>
      </div>
      {band.rows.map((row) => (
        <FactRow key={row.key} row={row} readOnly={readOnly} />
      ))}
    </section>
  );
}

/** Goes to the band or the fact that the address names, which is drawn only after the address was read. */
function useNamedSpot() {
  const { hash, key } = useLocation();
  useEffect(() => {
    const named = hash && document.getElementById(decodeURIComponent(hash.slice(1)));
    if (!named) return;
    const row = named.closest("[role=group]");
    (row ?? named).scrollIntoView({ block: row ? "center" : "start" });
    row?.querySelector<HTMLElement>("[data-field], input, button")?.focus({ preventScroll: true });
  }, [hash, key]);
}

export function SheetView() {
  const { t } = useTranslation();
  const site = useSite();
  const store = useStore();
  const shown = useShownPage(site.slug);
  const readOnly = !site.may.edit.allowed;
  useUndoKeys(store, !readOnly);
  useNamedSpot();
  useEffect(() => () => void store.flush(), [store]);

  return (
    <div className="grid min-[900px]:grid-cols-[168px_1fr]">
      <Index />
      <div className="min-w-0 border-line bg-paper min-[900px]:border-s">
        {readOnly && (
          <div className="px-6 pt-4">
            <Notice tone="warn">{t("sheet.readOnly")}</Notice>
          </div>
        )}
        <ProofsProvider site={site.slug} path={shown.path} at={shown.at}>
          <Trouble />
          <BrandReportProvider site={site.slug}>
            {BANDS.map((band, index) => (
              <BandSection key={band.id} band={band} readOnly={readOnly} first={index === 0} shown={shown} />
            ))}
          </BrandReportProvider>
        </ProofsProvider>
        <AddressSection />
        <p className="px-6 py-6 text-xs text-soft">{readOnly ? "" : t("sheet.keys")}</p>
      </div>
    </div>
  );
}
