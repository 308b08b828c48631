import type { Schemas } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";

interface Props {
  title: string;
  report: { problems: Schemas["NotTaken"][]; more_problems: number };
}

/** What of files was not taken in, and why; nothing where all was. */
export function NotTaken({ title, report }: Props) {
  const { t } = useTranslation();
  if (!report.problems.length) return null;
  return (
    <>
      <p className="mt-2 text-warn">▲ {title}</p>
      <ul className="mt-1 max-h-64 overflow-y-auto" tabIndex={0} aria-label={title}>
        {report.problems.map((problem, index) => (
          <li key={index} className="py-0.5 break-words">
            {problem.file && <span className="me-2 font-code text-xs">{problem.file}</span>}
            {problem.message}
          </li>
        ))}
        {report.more_problems > 0 && <li>{t("imports.more", { count: report.more_problems })}</li>}
      </ul>
    </>
  );
}
