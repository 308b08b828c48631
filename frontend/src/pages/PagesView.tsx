import { ExternalLink } from "lucide-react";
import { useMemo, useState } from "react";
import { useTranslation } from "react-i18next";
import type { Page } from "../api/client";
import { useSite } from "../shell/SiteFrame";
import { Await } from "../ui/Await";
import { ViewHead } from "../ui/ViewHead";
import { usePages } from "./api";
import { depths } from "./model";

const CELL = "border-b border-line px-3 py-2.5 text-start align-baseline";
/** A browser lays out some hundred rows at once without a pause; more are asked for. */
const STEP = 200;

function PageRow({ page, depth }: { page: Page; depth: number }) {
  const { t } = useTranslation();
  return (
    <tr className="hover:bg-ground">
      <th scope="row" className={`${CELL} ps-6 font-semibold`}>
        <span className="block" dir="auto" style={{ paddingInlineStart: `${depth * 1.4}rem` }}>
          {page.title}
        </span>
      </th>
      <td className={`${CELL} max-md:hidden`} dir="auto">
        {page.says}
      </td>
      <td className={`${CELL} font-code text-xs`}>
        {page.state === "new" ? (
          <span className="break-all text-soft">{page.path}</span>
        ) : (
          <a href={page.address} target="_blank" rel="noreferrer" className="act-link inline-flex items-baseline gap-1 font-normal break-all">
            {page.path} <ExternalLink size={11} className="flex-none" aria-label={t("pages.opens")} />
          </a>
        )}
      </td>
      <td className={`${CELL} text-soft max-sm:hidden`}>{page.published ?? ""}</td>
      <td className={CELL}>
        <span className={page.state === "live" ? "text-soft" : "rounded-sm bg-mark px-1.5 text-on-mark"}>
          {t(`pages.state.${page.state}`, page.state)}
        </span>
      </td>
    </tr>
  );
}

function PageTable({ pages }: { pages: Page[] }) {
  const { t } = useTranslation();
  const [shown, setShown] = useState(STEP);
  const [sought, setSought] = useState("");
  const deep = useMemo(() => depths(pages), [pages]);
  const found = pages.filter((page) => `${page.title}\n${page.path}`.toLowerCase().includes(sought.trim().toLowerCase()));
  return (
    <>
      <div className="px-6 pb-3">
        <label>
          <span className="unseen">{t("pages.find")}</span>
          <input
            type="search"
            value={sought}
            placeholder={t("pages.find")}
            onChange={(event) => setSought(event.target.value)}
            className="min-h-9 w-72 max-w-full rounded-md border border-soft bg-paper px-3"
          />
        </label>
      </div>
      {found.length === 0 ? (
        <p className="px-6 py-4 text-soft">{sought ? t("pages.none", { sought }) : t("pages.empty")}</p>
      ) : (
        <table className="w-full border-collapse border-t border-ink">
          <thead className="text-xs text-soft">
            <tr>
              <th scope="col" className="py-1.5 ps-6 text-start font-normal">{t("pages.title")}</th>
              <th scope="col" className="px-3 text-start font-normal max-md:hidden">{t("pages.says")}</th>
              <th scope="col" className="px-3 text-start font-normal">{t("pages.address")}</th>
              <th scope="col" className="px-3 text-start font-normal max-sm:hidden">{t("pages.published")}</th>
              <th scope="col" className="px-3 text-start font-normal">{t("pages.is")}</th>
            </tr>
          </thead>
          <tbody>
            {found.slice(0, shown).map((page) => (
              <PageRow key={page.id} page={page} depth={sought ? 0 : (deep.get(page.id) ?? 0)} />
            ))}
          </tbody>
        </table>
      )}
      {found.length > shown && (
        <button type="button" className="act-link m-6" onClick={() => setShown(shown + STEP)}>
          {t("pages.more", { count: found.length - shown })}
        </button>
      )}
    </>
  );
}

export function PagesView() {
  const { t } = useTranslation();
  const site = useSite();
  const pages = usePages(site.slug);
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper">
      <ViewHead title={t("view.pages")} lead={t("pages.lead")} />
      <Await query={pages}>{(all) => <PageTable pages={all} />}</Await>
    </div>
  );
}
