import type { ReactNode } from "react";
import { useTranslation } from "../i18n/useTranslation";

interface Props {
  id: string;
  title: string;
  lead: string;
  /** The view has one title; further parts are below it. */
  first?: boolean;
  /** Folds the part to a line; where there is none, it always is open. */
  onFold?: (() => void) | undefined;
  children?: ReactNode;
}

/** The head of a part that is open. */
export function PartHead({ id, title, lead, first, onFold, children }: Props) {
  const { t } = useTranslation();
  const Heading = first ? "h1" : "h2";
  return (
    <div className="flex flex-wrap items-baseline gap-x-3 px-6 pt-4 pb-3">
      <Heading id={`${id}-title`} className="text-[22px] leading-none font-[650] tracking-tight">
        {title}
      </Heading>
      <p className="text-soft max-[899px]:hidden">{lead}</p>
      {children}
      {onFold && (
        <button
          type="button"
          aria-expanded
          aria-describedby={`${id}-title`}
          className="act-link ms-auto"
          onClick={onFold}
        >
          {t("sheet.fold")}
        </button>
      )}
    </div>
  );
}

interface FoldedProps {
  id: string;
  title: string;
  summary: string;
  changed: number;
  onOpen: () => void;
}

/** A part folded to a line: what it is, and what it says. The whole line opens it. */
export function FoldedPart({ id, title, summary, changed, onOpen }: FoldedProps) {
  const { t } = useTranslation();
  return (
    <section
      id={id}
      aria-labelledby={`${id}-title`}
      className="relative flex scroll-mt-28 items-baseline gap-x-4 border-b border-line px-6 py-3 hover:bg-ground lg:scroll-mt-16"
    >
      {changed > 0 && <i aria-hidden className="absolute inset-y-0 start-0 w-1.5 bg-mark" />}
      <h2 id={`${id}-title`} className="w-40 flex-none text-[15px] font-semibold xl:w-56">
        {title}
      </h2>
      <p id={`${id}-said`} dir="auto" className="min-w-0 flex-1 truncate text-soft">
        {summary}
      </p>
      {changed > 0 && <span className="flex-none text-xs text-soft">{t("sheet.changedIn", { count: changed })}</span>}
      <button
        type="button"
        aria-expanded={false}
        aria-label={t("sheet.openPart", { part: title })}
        aria-describedby={`${id}-said`}
        className="act-link flex-none after:absolute after:inset-0"
        onClick={onOpen}
      >
        {t("sheet.open")}
      </button>
    </section>
  );
}
