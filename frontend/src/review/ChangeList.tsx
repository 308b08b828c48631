import { useTranslation } from "react-i18next";
import type { Change } from "../api/client";

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

function Row({ change }: { change: Change }) {
  const { t } = useTranslation();
  return (
    <li className="grid gap-x-6 gap-y-1 border-b border-line py-3.5 sm:grid-cols-[13rem_1fr]">
      <div>
        <h3 className="text-[15px] font-semibold">{change.kind === "fact" ? change.name : t(`change.${change.kind}`)}</h3>
        <p className="text-xs text-soft">{change.kind === "fact" ? change.reach : change.key}</p>
      </div>
      <dl className="grid grid-cols-[3.2rem_1fr] gap-y-0.5">
        <dt className="text-soft">{t("change.old")}</dt>
        <dd className="min-w-0">
          <Words text={change.old} gone />
        </dd>
        <dt className="text-soft">{t("change.new")}</dt>
        <dd className="min-w-0">
          <Words text={change.new} />
        </dd>
      </dl>
    </li>
  );
}

/** Changes in words: what, how far it reaches, what was and what will be. */
export function ChangeList({ changes }: { changes: Change[] }) {
  return (
    <ul className="border-t border-ink">
      {changes.map((change) => (
        <Row key={`${change.kind} ${change.key}`} change={change} />
      ))}
    </ul>
  );
}
