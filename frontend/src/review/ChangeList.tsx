import type { ReactNode } from "react";
import { Link } from "react-router";
import type { Change } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { AuthorLine } from "../ui/AuthorLine";

type Tense = "before" | "after";

function Words({ text, gone = false, quiet = false }: { text: string; gone?: boolean; quiet?: boolean }) {
  const { t } = useTranslation();
  if (!text) return <span className="text-soft italic">{t("sheet.nothing")}</span>;
  const looks = gone ? "text-soft line-through decoration-1" : quiet ? "text-soft" : "font-semibold";
  return (
    <span dir="auto" className={`block break-words ${looks}`}>
      {text}
    </span>
  );
}

type RowProps = {
  change: Change;
  tense: Tense;
  aside: ReactNode;
  below: ReactNode;
  isQuiet: boolean;
  labels: Labels | undefined;
  link: string | undefined;
};

function Row({ change, tense, aside, below, isQuiet, labels, link }: RowProps) {
  const { t } = useTranslation();
  const columns = aside
    ? "sm:grid-cols-[11rem_1fr] lg:grid-cols-[11rem_minmax(16rem,1fr)_1.4fr] xl:grid-cols-[11rem_minmax(16rem,1fr)_2.2fr]"
    : "sm:grid-cols-[11rem_1fr]";
  // Before publishing the list stands right below the view's title, afterwards below a heading of its own.
  const Heading = tense === "before" ? "h2" : "h3";
  return (
    <li className={`grid gap-x-6 gap-y-1 border-b border-line py-3.5 ${columns}`}>
      <div>
        <Heading className="text-[15px] font-semibold">
          {change.kind === "fact" ? change.name : t(`change.${change.kind}`)}
        </Heading>
        {/* Between two editions nothing is still to reach anybody. */}
        {!(labels && change.kind === "fact") && (
          <p className="text-xs text-soft">{change.kind === "fact" ? change.reach_words : change.key}</p>
        )}
        {change.author && (
          <p className="text-xs">
            <AuthorLine author={change.author} />
          </p>
        )}
        {below}
      </div>
      <dl
        className={`grid content-start gap-x-3 gap-y-0.5 ${labels ? "grid-cols-[5.5rem_1fr]" : "grid-cols-[minmax(4.2rem,max-content)_1fr]"}`}
      >
        <dt className="text-soft">{labels?.[0] ?? t(`change.${tense}.old`)}</dt>
        <dd className="min-w-0">
          <Words text={change.old} gone={!labels && !isQuiet} quiet={isQuiet} />
        </dd>
        <dt className="text-soft">{labels?.[1] ?? t(`change.${tense}.new`)}</dt>
        <dd className="min-w-0">
          <Words text={change.new} quiet={isQuiet} />
          {link && (
            <Link to={link} className="act-link text-[13px]">
              {t("change.byParagraph")}
              <span className="unseen">: {change.new}</span>
            </Link>
          )}
        </dd>
      </dl>
      {aside}
    </li>
  );
}

/** What the two sides are called, where they are not before and after. */
type Labels = readonly [string, string];

interface Props {
  changes: Change[];
  tense: Tense;
  labels?: Labels;
  aside?: (change: Change) => ReactNode;
  below?: (change: Change) => ReactNode;
  /** Where more of a change is told. */
  link?: (change: Change) => string | undefined;
  /** Whether a change is no part of what is to happen. */
  isQuiet?: (change: Change) => boolean;
}

/** Changes in words: what, how far it reaches, what was and will be; beside each `aside`, under its name `below`. */
export function ChangeList({ changes, tense, labels, aside, below, link, isQuiet }: Props) {
  return (
    <ul className="border-t border-ink">
      {changes.map((change) => (
        <Row
          key={`${change.kind} ${change.key}`}
          change={change}
          tense={tense}
          labels={labels}
          aside={aside?.(change)}
          below={below?.(change)}
          link={link?.(change)}
          isQuiet={isQuiet?.(change) ?? false}
        />
      ))}
    </ul>
  );
}

/** How many changes there are beside those that are listed, and the way to them, if there is one. */
export function MoreChanges({ count, onMore }: { count: number; onMore?: () => void }) {
  const { t } = useTranslation();
  if (count <= 0) return null;
  if (!onMore) return <p className="py-3 text-soft">{t("change.more", { count })}</p>;
  return (
    <button type="button" className="act-link my-4" onClick={onMore}>
      {t("change.showMore", { count })}
    </button>
  );
}
