import { useSite } from "../draft/hooks";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useBringBack, useRemovedPages } from "./api";

/** Deleted pages, for as long as they can be brought back. */
export function RemovedPages() {
  const { t } = useTranslation();
  const format = useFormat();
  const site = useSite();
  const removed = useRemovedPages(site.slug).data;
  const back = useBringBack(site.slug);
  if (!removed?.length) return null;
  return (
    <section aria-labelledby="removed-pages" className="px-6 py-6">
      <h2 id="removed-pages" className="text-[15px] font-semibold">
        {t("removedPages.title")}
      </h2>
      <ErrorNotice error={back.error} />
      <ul>
        {removed.map((page) => (
          <li key={page.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-line py-2">
            <b dir="auto" className="font-semibold">
              {page.title}
            </b>
            <span className="font-code text-xs text-soft">{page.path}</span>
            <span className="text-xs text-soft">
              {t("removedPages.gone", { day: format.day(page.gone.slice(0, 10)) })}
            </span>
            {site.may.edit.allowed && (
              <ActionLink onClick={() => back.mutate(page.id)}>{t("removedPages.back")}</ActionLink>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
