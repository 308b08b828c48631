import { startTransition, useEffect, useRef, useState, type FocusEvent } from "react";
import { useLocation } from "react-router";
import { BrandReportProvider } from "../brand";
import { PARTS, ROW_OF, type Row } from "../draft/facts";
import { useSelect, useSite, useStore } from "../draft/hooks";
import { useUndoKeys } from "../draft/useUndoKeys";
import { FollowedNews, useFollowed } from "../followed";
import { useTranslation } from "../i18n/useTranslation";
import { ProofsProvider, useProofs } from "../proofs/ProofsProvider";
import { Notice } from "../ui/Notice";
import { useNarrow } from "../ui/useNarrow";
import { EditedProofs } from "./EditedProofs";
import { Index, NextUnsaid, PartsRow } from "./Index";
import { AddressPart, Folded, OpenPart } from "./SheetParts";
import { ADDRESS, FIRST, useParts, type Parts } from "./useParts";
import { useShownPage, type ShownPage } from "./useShownPage";

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

const VALUE = "[data-value] :is([data-field], input, textarea, select, button)";
/** How long a value may take to be drawn; later the focus would be taken from something else. */
const PATIENCE = 6_000;

/** Gives the focus to where a row says its fact, once that is drawn. */
function focusValue(row: Element): void {
  function focus() {
    const value = row.querySelector<HTMLElement>(VALUE);
    value?.focus({ preventScroll: true });
    return value !== null;
  }
  if (focus()) return;
  const observer = new MutationObserver(() => {
    if (focus()) observer.disconnect();
  });
  observer.observe(row, { childList: true, subtree: true });
  setTimeout(() => observer.disconnect(), PATIENCE);
}

/** What an address names: a part, or the row in which a fact is said. */
function spotOf(name: string): HTMLElement | null {
  const row = ROW_OF.get(name.replace(/^fact-/, ""));
  return document.getElementById(row ? `fact-${row.key}` : name);
}

/** Goes to the part or the fact that the address names, once it is drawn. */
function useNamedSpot(parts: Parts, isWhole: boolean) {
  const { hash, key } = useLocation();
  const gone = useRef("");
  useEffect(() => {
    if (gone.current === key) return;
    const named = hash && spotOf(decodeURIComponent(hash.slice(1)));
    if (!named) return;
    gone.current = key;
    const row = named.closest("[role=group]");
    (row ?? named).scrollIntoView({ block: row ? "center" : "start" });
    if (row) focusValue(row);
  }, [hash, key, parts, isWhole]);
}

interface SheetProps {
  parts: Parts;
  isNarrow: boolean;
  /** Whether all of it is drawn yet. */
  isWhole: boolean;
  readOnly: boolean;
  shown: ShownPage;
}

/** How many rows of an open part are drawn at once: about as many as a window shows. */
const AT_ONCE = 2;

/** Whether the rest of the sheet is drawn, too: it comes when what is seen first can be typed into. */
function useRestLater(): boolean {
  const [isWhole, setWhole] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => startTransition(() => setWhole(true)));
    return () => clearTimeout(timer);
  }, []);
  return isWhole;
}

/** The row that is being typed in, for as long as it is. */
function useEdited() {
  const [edited, edit] = useState<Row | null>(null);
  function onFocus({ target }: FocusEvent<HTMLElement>) {
    const types = target.matches("textarea, input:not([type=checkbox]):not([type=radio]):not([type=file])");
    const named = target.closest("[role=group]")?.getAttribute("aria-labelledby")?.replace("fact-", "") ?? "";
    const row = types ? ROW_OF.get(named) : undefined;
    edit(row ?? null);
    // Past what lies over the sheet: the bar, and the proofs that come now.
    if (row) requestAnimationFrame(() => target.scrollIntoView({ block: "center" }));
  }
  useEffect(() => {
    if (!edited) return;
    // A keyboard on the screen comes after the focus, and leaves less room.
    const stay = () => document.activeElement?.scrollIntoView({ block: "center" });
    addEventListener("resize", stay);
    return () => removeEventListener("resize", stay);
  }, [edited]);
  function onBlur({ target }: FocusEvent<HTMLElement>) {
    // Where the whole window lost the focus, the field has it again with the window.
    if (document.activeElement !== target) edit(null);
  }
  return { edited, onFocus, onBlur };
}

/**
 * All parts, one below the other: what every site needs, and the rest folded to a line each. Where there is room for no
 * more, one of them; what is open stays as it is when the window becomes wider or narrower.
 */
function Sheet({ parts, isNarrow, isWhole, readOnly, shown }: SheetProps) {
  const { edited, onFocus, onBlur } = useEdited();
  const isOpen = (id: string) => (isNarrow ? id === parts.shown : parts.isOpen(id));
  return (
    <>
      {isNarrow && <PartsRow shown={parts.shown} />}
      {isNarrow && <NextUnsaid className="mx-6 mt-3 inline-flex min-h-11 items-center" />}
      <div onFocus={isNarrow ? onFocus : undefined} onBlur={onBlur} className={edited ? "pb-40" : ""}>
        {PARTS.map((part) =>
          isOpen(part.id) ? (
            <OpenPart
              key={part.id}
              part={part}
              readOnly={readOnly}
              first={isNarrow || part.id === FIRST}
              onFold={isNarrow || part.id === FIRST ? undefined : () => parts.toggle(part.id)}
              shown={shown}
              most={isWhole ? undefined : AT_ONCE}
            />
          ) : (
            !isNarrow && isWhole && <Folded key={part.id} part={part} parts={parts} />
          ),
        )}
        {isWhole && (!isNarrow || isOpen(ADDRESS)) && (
          <AddressPart isOpen={isOpen(ADDRESS)} isNarrow={isNarrow} onToggle={() => parts.toggle(ADDRESS)} />
        )}
      </div>
      {isNarrow && edited && <EditedProofs row={edited} />}
    </>
  );
}

export function SheetView() {
  const { t } = useTranslation();
  const site = useSite();
  const store = useStore();
  const shown = useShownPage(site.slug);
  const parts = useParts();
  const isNarrow = useNarrow();
  const readOnly = !site.may.edit.allowed;
  useUndoKeys(store, !readOnly);
  const isWhole = useRestLater();
  const followed = (useFollowed(site.slug).data ?? []).filter(({ changes }) => changes.length > 0);
  useNamedSpot(parts, isWhole);
  useEffect(() => () => void store.flush(), [store]);

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
          {followed.length > 0 && <FollowedNews site={site.slug} followed={followed} readOnly={readOnly} />}
          <BrandReportProvider site={site.slug}>
            <Sheet parts={parts} isNarrow={isNarrow} isWhole={isWhole} readOnly={readOnly} shown={shown} />
          </BrandReportProvider>
        </ProofsProvider>
        <p className="px-6 py-6 text-xs text-soft">{readOnly ? "" : t("sheet.keys")}</p>
      </div>
    </div>
  );
}
