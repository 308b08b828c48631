import { ArrowRight } from "lucide-react";
import { Link } from "react-router";
import { useSelect, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { QueryBoundary } from "../ui/QueryBoundary";
import { ViewHead } from "../ui/ViewHead";
import { useChecklist, type ChecklistItem } from "./api";
import { spotOf } from "./spot";

function List({ all }: { all: ChecklistItem[] }) {
  const { t } = useTranslation();
  const site = useSite();
  if (all.length === 0)
    return (
      <div className="px-6 py-6">
        <p className="font-display text-[19px] font-semibold">{t("checklist.done")}</p>
        <p className="mt-1 text-soft">{t("checklist.doneText")}</p>
      </div>
    );
  return (
    <ul className="max-w-3xl border-t border-line">
      {all.map((one) => (
        <li key={one.kind} className="border-b border-line">
          <Link
            to={`/${site.slug}/${spotOf(one)}`}
            className="group flex items-center gap-4 px-6 py-3.5 hover:bg-ground"
          >
            <span className="min-w-0 flex-1">
              <b className="block text-[15px] font-semibold">{t(`checklist.kind.${one.kind}`, { count: one.count })}</b>
              <span className="text-soft">{t(`checklist.why.${one.kind}`)}</span>
            </span>
            <ArrowRight size={16} aria-hidden className="flex-none text-act rtl:-scale-x-100" />
          </Link>
        </li>
      ))}
    </ul>
  );
}

/** What a site lacks or never changed from its start, each leading to its spot. */
export function ChecklistView() {
  const { t } = useTranslation();
  const revision = useSelect(({ facts }) => facts.state.meta.revision);
  const checklist = useChecklist(useSite().slug, revision);
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper pb-8">
      <ViewHead title={t("checklist.title")} lead={t("checklist.lead")} />
      <QueryBoundary query={checklist}>
        {({ items, is_whole }) => (
          <>
            {(items.length > 0 || is_whole) && <List all={items} />}
            {!is_whole && (
              <p role="status" className="px-6 py-3 text-soft">
                {t("checklist.looking")}
              </p>
            )}
          </>
        )}
      </QueryBoundary>
    </div>
  );
}
