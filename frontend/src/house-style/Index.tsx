import { useEffect, useState, type RefObject, useRef } from "react";
import { Link } from "react-router";
import { isChanged } from "../draft/changes";
import { PARTS, type Part } from "../draft/facts";
import { useSelect } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ChecklistLink } from "../checklist";
import { centerInRow } from "../ui/centerInRow";
import { useNextUnsaid } from "./useNextUnsaid";
import { ADDRESS, FIRST, type Parts } from "./useParts";

/** The part that is being read: the last whose beginning has passed the upper third of the window. */
function usePartInView(): string {
  const [inView, setInView] = useState<string>(FIRST);
  useEffect(() => {
    function update() {
      const passed = [...PARTS, { id: ADDRESS }].filter(
        ({ id }) => (document.getElementById(id)?.getBoundingClientRect().top ?? Infinity) < innerHeight / 3,
      );
      setInView(passed.at(-1)?.id ?? FIRST);
    }
    addEventListener("scroll", update, { passive: true });
    return () => removeEventListener("scroll", update);
  }, []);
  return inView;
}

/** How many facts of a part say something else than what visitors see. */
export function useChangedIn(part: Part): number {
  return useSelect(({ facts }) => part.rows.flatMap((row) => row.keys).filter((key) => isChanged(facts, key)).length);
}

function Entry({ part, current }: { part: Part; current: boolean }) {
  const { t } = useTranslation();
  const changed = useChangedIn(part);
  return (
    <Link
      to={`#${part.id}`}
      replace
      aria-current={current ? "location" : undefined}
      className="flex items-center justify-between border-e-2 border-transparent py-1.5 pe-3 text-soft hover:text-ink aria-[current]:border-act aria-[current]:font-semibold aria-[current]:text-ink"
    >
      {t(`band.${part.id}.title`)}
      <small className={`font-code text-[11px] ${changed ? "rounded-sm bg-mark px-1.5 text-on-mark" : ""}`}>
        {changed || part.rows.length}
        <span className="unseen">
          {" "}
          {changed ? t("sheet.changedFacts", { count: changed }) : t("sheet.facts", { count: part.rows.length })}
        </span>
      </small>
    </Link>
  );
}

/** Leads to what is to be said next. */
export function NextUnsaid({ className = "" }: { className?: string }) {
  const { t } = useTranslation();
  const next = useNextUnsaid();
  if (!next) return null;
  return (
    <Link to={`#fact-${next}`} replace className={`act-link ${className}`}>
      {t("sheet.next", { fact: t(`factName.${next}`) })}
    </Link>
  );
}

/** The index at the left: each part with its count of changes, what is to be said next, and all of it at once. */
export function Index({ parts }: { parts: Parts }) {
  const { t } = useTranslation();
  const inView = usePartInView();
  return (
    <nav aria-label={t("sheet.index")} className="sticky top-26 self-start py-5 ps-5 xl:top-15">
      {PARTS.map((part) => (
        <Entry key={part.id} part={part} current={part.id === inView} />
      ))}
      <Link
        to={`#${ADDRESS}`}
        replace
        aria-current={inView === ADDRESS ? "location" : undefined}
        className="block border-e-2 border-transparent py-1.5 text-soft hover:text-ink aria-[current]:border-act aria-[current]:font-semibold aria-[current]:text-ink"
      >
        {t("siteAddress.title")}
      </Link>
      <p className="mt-4 grid justify-items-start gap-2 pe-3">
        <NextUnsaid />
        <ChecklistLink />
        <button type="button" className="act-link" onClick={parts.allOpen ? parts.foldAll : parts.openAll}>
          {t(parts.allOpen ? "sheet.foldAll" : "sheet.openAll")}
        </button>
      </p>
    </nav>
  );
}

/** Where there is room for one part, all of them in a row that stays. */
export function PartsRow({ shown }: { shown: string }) {
  const { t } = useTranslation();
  const row = useRef<HTMLElement>(null);
  useShownIn(row, shown);
  return (
    <nav
      ref={row}
      aria-label={t("sheet.index")}
      className="sticky top-14 z-20 flex gap-1.5 overflow-x-auto border-b border-line bg-paper px-4 py-1.5"
    >
      {[...PARTS.map((part) => part.id), ADDRESS].map((id) => (
        <Link
          key={id}
          to={`#${id}`}
          replace
          aria-current={id === shown ? "location" : undefined}
          className="grid min-h-11 flex-none place-items-center rounded-full bg-board px-4 font-medium whitespace-nowrap text-soft aria-[current]:bg-ink aria-[current]:text-paper"
        >
          {t(`band.${id}.short`)}
        </Link>
      ))}
    </nav>
  );
}

function useShownIn(row: RefObject<HTMLElement | null>, shown: string) {
  useEffect(() => {
    centerInRow(row.current, "[aria-current]");
  }, [row, shown]);
}
