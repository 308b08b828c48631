import { ExternalLink } from "lucide-react";
import type { Page } from "../api/client";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";

/** Where the public reads a page; a page that was never published is only named by its path. */
export function PageAddress({ page }: { page: Pick<Page, "state" | "path" | "address"> }) {
  const { t } = useTranslation();
  if (page.state === "new") return <span className="break-all text-soft">{page.path}</span>;
  return (
    <a
      href={page.address}
      target="_blank"
      rel="noreferrer"
      className="act-link inline-flex items-baseline gap-1 font-normal break-all"
    >
      {page.path} <ExternalLink size={11} className="flex-none" aria-label={t("pages.opens")} />
    </a>
  );
}

/** Whether a page is live as it is, changed or new. */
export function PageState({ page }: { page: Pick<Page, "state" | "published"> }) {
  const { t } = useTranslation();
  const format = useFormat();
  const quiet = page.state === "live" || page.state === "held";
  return (
    <span className={quiet ? "text-soft" : "rounded-sm bg-mark px-1.5 whitespace-nowrap text-on-mark"}>
      {t(`pages.state.${page.state}`, { day: page.published ? format.day(page.published) : "" })}
    </span>
  );
}
