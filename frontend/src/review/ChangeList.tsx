import type { ReactNode } from "react";
import { useTranslation } from "react-i18next";
import type { Change } from "../api/client";

type Tense = "before" | "after";

function Words({ text, gone = false }: { text: string; gone?: boolean }) {
  const { t } = useTranslation();
  if (!text) return <span className="text-soft italic">{t("sheet.nothing")}</span>;
  const looks = gone ? "text-soft line-through decoration-1" : "font-semibold";
  return (
    <span dir="auto" className={`block break-words ${looks}`}>
      {text}
    </span>
  );
}

function Row({ change, tense, aside }: { change: Change; tense: Tense; aside: ReactNode }) {
  const { t } = useTranslation();
  const columns = aside
    ? "sm:grid-cols-[11rem_1fr] lg:grid-cols-[11rem_minmax(18rem,1fr)_1.2fr]"
    : "sm:grid-cols-[11rem_1fr]";
  // Before publishing the list stands right below the view's title, afterwards below a heading of its own.
  const Heading = tense === "before" ? "h2" : "h3";
  return (
    <li className={`grid gap-x-6 gap-y-1 border-b border-line py-3.5 ${columns}`}>
      <div>
        <Heading className="text-[15px] font-semibold">
          {change.kind === "fact" ? change.name : t(`change.${change.kind}`)}
        </Heading>
        <p className="text-xs text-soft">{change.kind === "fact" ? change.reach_words : change.key}</p>
      </div>
      <dl className="grid grid-cols-[4.2rem_1fr] content-start gap-y-0.5">
        <dt className="text-soft">{t(`change.${tense}.old`)}</dt>
        <dd className="min-w-0">
          <Words text={change.old} gone />
        </dd>
        <dt className="text-soft">{t(`change.${tense}.new`)}</dt>
        <dd className="min-w-0">
          <Words text={change.new} />
        </dd>
      </dl>
      {aside}
    </li>
  );
}

interface Props {
  changes: Change[];
  tense: Tense;
  aside?: (change: Change) => ReactNode;
}

/** Changes in words: what, how far it reaches, what was and what will be; beside each what `aside` gives. */
export function ChangeList({ changes, tense, aside }: Props) {
  return (
    <ul className="border-t border-ink">
      {changes.map((change) => (
        <Row key={`${change.kind} ${change.key}`} change={change} tense={tense} aside={aside?.(change)} />
      ))}
    </ul>
  );
}
