import { useEffect, useMemo, useState } from "react";
import { useTranslation } from "react-i18next";
import { MarksProvider } from "../marks/api";
import { usePages } from "../pages/api";
import { useProofs } from "../proofs/useProofs";
import { useSite } from "../shell/SiteFrame";
import { Notice } from "../ui/Notice";
import { BANDS } from "./bands";
import { Index } from "./Index";
import { useKeeper } from "./KeeperProvider";
import { PageChoice } from "./PageChoice";
import { Row } from "./Row";
import { UndoButtons } from "./UndoButtons";
import { useUndoKeys } from "./useUndoKeys";

/** The page whose proofs the sheet shows until another is chosen: an inner one, as most pages are. */
function useShownPage(site: string) {
  const pages = usePages(site);
  const [chosen, choose] = useState<string | null>(null);
  const inner = pages.data?.find((page) => page.path !== "/" && page.in_menu);
  const known = chosen !== null && pages.data?.some((page) => page.path === chosen);
  return { pages: pages.data ?? [], path: known ? chosen : (inner?.path ?? "/"), choose };
}

export function SheetView() {
  const { t } = useTranslation();
  const site = useSite();
  const { keeper, state } = useKeeper();
  const { pages, path, choose } = useShownPage(site.slug);
  const typed = useMemo(() => ({ ...state.typed }), [state.typed]);
  const { proofs, lost } = useProofs(site.slug, path, typed, state.style.revision);
  const readOnly = site.role === "viewer";
  const lastSign = Object.values(state.signs).includes("signedOut");
  useUndoKeys(keeper, !readOnly);
  useEffect(() => () => void keeper.flush(), [keeper]);

  return (
    <div className="grid min-[900px]:grid-cols-[168px_1fr]">
      <Index />
      <div className="min-w-0 border-line bg-paper min-[900px]:border-s">
        {readOnly && (
          <div className="px-6 pt-4">
            <Notice tone="warn">{t("sheet.readOnly")}</Notice>
          </div>
        )}
        {(lost || lastSign) && (
          <div className="px-6 pt-4">
            <Notice tone="stop">{lastSign ? t("state.signedOut") : t("state.noConnection")}</Notice>
          </div>
        )}
        <MarksProvider site={site.slug} state={state}>
        {BANDS.map((band, index) => (
          <section key={band.id} id={band.id} aria-labelledby={`${band.id}-title`} className="scroll-mt-28 lg:scroll-mt-16">
            <div className="flex flex-wrap items-baseline gap-x-3 px-6 pt-4 pb-3">
              <h1 id={`${band.id}-title`} className="text-[22px] leading-none font-[650] tracking-tight">
                {t(`band.${band.id}.title`)}
              </h1>
              <p className="text-soft">{t(`band.${band.id}.lead`)}</p>
              {index === 0 && !readOnly && <UndoButtons />}
            </div>
            <div className="grid border-b border-ink text-xs text-soft min-[900px]:grid-cols-[174px_minmax(300px,392px)_1fr]">
              <span className="px-6 py-1.5 max-[899px]:hidden">{t("sheet.fact")}</span>
              <span className="py-1.5 max-[899px]:hidden">{t("sheet.value")}</span>
              <span className="flex items-center justify-between gap-3 bg-board py-1.5 ps-4.5 pe-4 max-[899px]:ps-6">
                {t("sheet.places")}
                {index === 0 && pages.length > 0 && <PageChoice pages={pages} path={path} onChoose={choose} />}
              </span>
            </div>
            {band.rows.map((plan) => (
              <Row key={plan.key} plan={plan} proofs={proofs} readOnly={readOnly} />
            ))}
          </section>
        ))}
        </MarksProvider>
        <p className="px-6 py-6 text-xs text-soft">{readOnly ? "" : t("sheet.keys")}</p>
      </div>
    </div>
  );
}
