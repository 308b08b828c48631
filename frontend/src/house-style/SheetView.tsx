import { useEffect, useRef, useState, useSyncExternalStore, type FocusEvent } from "react";
import { useLocation } from "react-router";
import { BrandReportProvider } from "../brand";
import { PARTS, ROW_OF, type Part, type Row } from "../draft/facts";
import { useSelect, useSite, useStore } from "../draft/hooks";
import { UndoButtons } from "../draft/UndoButtons";
import { useUndoKeys } from "../draft/useUndoKeys";
import { useTranslation } from "../i18n/useTranslation";
import { PageSelect, usePageChoices } from "../pages";
import { ProofsProvider, useProofs } from "../proofs/ProofsProvider";
import { SiteAddress } from "../sites";
import { Notice } from "../ui/Notice";
import { useNarrow } from "../ui/useNarrow";
import { FactProofs } from "../proofs/FactProofs";
import { FactRow } from "./FactRow";
import { Index, NextUnsaid, PartsRow, useChangedIn } from "./Index";
import { MomentChoice } from "../proofs/MomentChoice";
import { FoldedPart, PartHead } from "./PartHead";
import { useSummary } from "./summary";
import { ADDRESS, FIRST, useParts, type Parts } from "./useParts";

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

interface PartProps {
  part: Part;
  readOnly: boolean;
  /** Whether the part has the title of the view. */
  first: boolean;
  onFold?: (() => void) | undefined;
  shown: ReturnType<typeof useShownPage>;
}

/** What a part's proofs are read at: the page, and with the dates, the moment. */
function ProofChoices({ part, first, shown }: Pick<PartProps, "part" | "first" | "shown">) {
  const { t } = useTranslation();
  return (
    <>
      {first && shown.count > 0 && (
        <PageSelect label={t("sheet.onPage")} value={shown.path} keyOf={(page) => page.path} onChoose={shown.choose} />
      )}
      {part.id === "clock" && <MomentChoice at={shown.at} onChoose={shown.chooseAt} />}
    </>
  );
}

function OpenPart({ part, readOnly, first, onFold, shown }: PartProps) {
  const { t } = useTranslation();
  return (
    <section id={part.id} aria-labelledby={`${part.id}-title`} className="scroll-mt-28 lg:scroll-mt-16">
      <PartHead
        id={part.id}
        title={t(`band.${part.id}.title`)}
        lead={t(`band.${part.id}.lead`)}
        first={first}
        onFold={onFold}
      >
        {first && !readOnly && <UndoButtons />}
      </PartHead>
      <div className="grid border-b border-ink text-xs text-soft min-[900px]:grid-cols-[174px_minmax(300px,368px)_1fr]">
        <span className="px-6 py-1.5 max-[899px]:hidden">{t("sheet.fact")}</span>
        <span className="py-1.5 max-[899px]:hidden">{t("sheet.value")}</span>
        <span className="flex items-center justify-between gap-3 bg-board py-1.5 ps-4.5 pe-4 max-[899px]:ps-6">
          {t("sheet.places")}
          <ProofChoices part={part} first={first} shown={shown} />
        </span>
      </div>
      {part.rows.map((row) => (
        <FactRow key={row.key} row={row} readOnly={readOnly} />
      ))}
    </section>
  );
}

function Folded({ part, parts }: { part: Part; parts: Parts }) {
  const { t } = useTranslation();
  const changed = useChangedIn(part);
  const summary = useSummary(part);
  return (
    <FoldedPart
      id={part.id}
      title={t(`band.${part.id}.title`)}
      summary={summary}
      changed={changed}
      onOpen={() => parts.toggle(part.id)}
    />
  );
}

function AddressPart({ isOpen, onFold, onOpen }: { isOpen: boolean; onFold?: () => void; onOpen: () => void }) {
  const { t } = useTranslation();
  const site = useSite();
  if (!isOpen)
    return <FoldedPart id={ADDRESS} title={t("siteAddress.title")} summary={site.host} changed={0} onOpen={onOpen} />;
  return (
    <section
      id={ADDRESS}
      aria-labelledby={`${ADDRESS}-title`}
      className="scroll-mt-28 border-b border-line lg:scroll-mt-16"
    >
      <PartHead
        id={ADDRESS}
        title={t("siteAddress.title")}
        lead={t("siteAddress.lead")}
        first={!onFold}
        onFold={onFold}
      />
      <SiteAddress />
    </section>
  );
}

/** Goes to the part or the fact that the address names, once it is drawn. */
function useNamedSpot(parts: Parts) {
  const { hash, key } = useLocation();
  const gone = useRef("");
  useEffect(() => {
    if (gone.current === key) return;
    const named = hash && document.getElementById(decodeURIComponent(hash.slice(1)));
    if (!named) return;
    gone.current = key;
    const row = named.closest("[role=group]");
    (row ?? named).scrollIntoView({ block: row ? "center" : "start" });
    row?.querySelector<HTMLElement>("[data-field], input, button")?.focus({ preventScroll: true });
  }, [hash, key, parts]);
}

interface SheetProps {
  parts: Parts;
  readOnly: boolean;
  shown: ReturnType<typeof useShownPage>;
}

/** All parts, one below the other: what every site needs, and the rest folded to a line each. */
function WholeSheet({ parts, readOnly, shown }: SheetProps) {
  return (
    <>
      {PARTS.map((part) =>
        parts.isOpen(part.id) ? (
          <OpenPart
            key={part.id}
            part={part}
            readOnly={readOnly}
            first={part.id === FIRST}
            onFold={part.id === FIRST ? undefined : () => parts.toggle(part.id)}
            shown={shown}
          />
        ) : (
          <Folded key={part.id} part={part} parts={parts} />
        ),
      )}
      <AddressPart
        isOpen={parts.isOpen(ADDRESS)}
        onFold={() => parts.toggle(ADDRESS)}
        onOpen={() => parts.toggle(ADDRESS)}
      />
    </>
  );
}

function onViewport(changed: () => void) {
  visualViewport?.addEventListener("resize", changed);
  visualViewport?.addEventListener("scroll", changed);
  return () => {
    visualViewport?.removeEventListener("resize", changed);
    visualViewport?.removeEventListener("scroll", changed);
  };
}

/** How many pixels at the bottom of the window lie below a keyboard on the screen, where that covers the window. */
function useHidden(): number {
  return useSyncExternalStore(onViewport, () =>
    visualViewport ? Math.max(0, Math.round(innerHeight - visualViewport.height - visualViewport.offsetTop)) : 0,
  );
}

/** Whether the first proof of a row stands in its place where it can be seen, above what lies over the sheet's end. */
function useSeenInPlace(row: Row): boolean {
  const [isSeen, setSeen] = useState(true);
  useEffect(() => {
    const proof = document.getElementById(`fact-${row.key}`)?.closest("[role=group]")?.querySelector("figure");
    if (!proof) return;
    const observer = new IntersectionObserver(([entry]) => setSeen((entry?.intersectionRatio ?? 0) > 0.9), {
      rootMargin: "-110px 0px 0px 0px",
      threshold: [0, 0.9],
    });
    observer.observe(proof);
    return () => observer.disconnect();
  }, [row]);
  return isSeen;
}

/** The proofs of the fact that is being edited, where the keyboard leaves them in sight. */
function EditedProofs({ row }: { row: Row }) {
  const { t } = useTranslation();
  const hidden = useHidden();
  if (useSeenInPlace(row) && hidden === 0) return null;
  return (
    <aside
      aria-label={t("sheet.proofsOf", { fact: t(`factName.${row.key}`) })}
      style={{ bottom: hidden }}
      className="edited-proofs dotted fixed inset-x-0 z-20 flex h-32 gap-3 overflow-auto border-t border-line px-4 py-2.5"
    >
      <FactProofs row={{ ...row, slots: row.slots.slice(0, 2) }} only />
    </aside>
  );
}

/** One part, as where there is room for no more: a phone. */
function OnePart({ parts, readOnly, shown }: SheetProps) {
  const [edited, edit] = useState<Row | null>(null);
  const part = PARTS.find(({ id }) => id === parts.shown);
  function onFocus({ target }: FocusEvent<HTMLElement>) {
    const types = target.matches("textarea, input:not([type=checkbox]):not([type=radio]):not([type=file])");
    const named = target.closest("[role=group]")?.getAttribute("aria-labelledby")?.replace("fact-", "") ?? "";
    const row = types ? ROW_OF.get(named) : undefined;
    edit(row ?? null);
    // Past what lies over the sheet: the bar, and the proofs that come now.
    if (row) requestAnimationFrame(() => target.scrollIntoView({ block: "center" }));
  }
  return (
    <>
      <PartsRow shown={parts.shown} />
      <div onFocus={onFocus} onBlur={() => edit(null)} className={edited ? "pb-40" : ""}>
        <NextUnsaid className="mx-6 mt-3 inline-flex min-h-11 items-center" />
        {part ? (
          <OpenPart key={part.id} part={part} readOnly={readOnly} first shown={shown} />
        ) : (
          <AddressPart isOpen onOpen={() => undefined} />
        )}
      </div>
      {edited && <EditedProofs row={edited} />}
    </>
  );
}

export function SheetView() {
  const { t } = useTranslation();
  const site = useSite();
  const store = useStore();
  const shown = useShownPage(site.slug);
  const parts = useParts(site.slug);
  const isNarrow = useNarrow();
  const readOnly = !site.may.edit.allowed;
  useUndoKeys(store, !readOnly);
  useNamedSpot(parts);
  useEffect(() => () => void store.flush(), [store]);
  const Sheet = isNarrow ? OnePart : WholeSheet;

  return (
    <div className="grid min-[900px]:grid-cols-[168px_1fr]">
      {!isNarrow && <Index parts={parts} />}
      <div className="min-w-0 border-line bg-paper min-[900px]:border-s">
        {readOnly && (
          <div className="px-6 pt-4">
            <Notice tone="warn">{t("sheet.readOnly")}</Notice>
          </div>
        )}
        <ProofsProvider site={site.slug} path={shown.path} at={shown.at}>
          <Trouble />
          <BrandReportProvider site={site.slug}>
            <Sheet parts={parts} readOnly={readOnly} shown={shown} />
          </BrandReportProvider>
        </ProofsProvider>
        <p className="px-6 py-6 text-xs text-soft">{readOnly ? "" : t("sheet.keys")}</p>
      </div>
    </div>
  );
}
