import { useState } from "react";
import { Link } from "react-router";
import type { Page } from "../api/client";
import { useSite, useStore } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { fetchPage, usePagesLeavingOut } from "../pages";
import { ActionLink } from "../ui/ActionLink";

/** Makes a page show all shared parts again, as a step that can be undone. */
function useTakePart(site: string) {
  const store = useStore();
  return async (page: Page) => {
    store.openPage(await fetchPage(site, page.id));
    store.choose(`page:${page.id}`, { left_out: [] });
    await store.page(page.id)?.flush();
  };
}

/** The pages that leave out something that all others show, each with the way back. */
export function LeftOut({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const site = useSite();
  const takePart = useTakePart(site.slug);
  const [busy, setBusy] = useState(0);
  const found = usePagesLeavingOut(site.slug).data;
  if (!found?.count) return null;
  return (
    <div className="mt-3 border-t border-line pt-2">
      <p className="text-xs text-soft">{t("leftOut.lead", { count: found.count })}</p>
      <ul className="mt-1 grid gap-1.5">
        {found.rows.map((page) => (
          <li key={page.id}>
            <Link to={`/${site.slug}/pages/${String(page.id)}`} className="act-link">
              {page.shown_title}
            </Link>{" "}
            <span className="text-xs text-soft">
              {page.left_out.map((part) => t(`sharedParts.${part}`)).join(", ")}
            </span>{" "}
            {!readOnly && (
              <ActionLink
                onClick={() => {
                  if (busy === page.id) return;
                  setBusy(page.id);
                  void takePart(page).finally(() => setBusy(0));
                }}
              >
                {t("leftOut.takePart")}
                <span className="unseen"> {page.shown_title}</span>
              </ActionLink>
            )}
          </li>
        ))}
        {found.count > found.rows.length && (
          <li className="text-xs text-soft">{t("leftOut.more", { count: found.count - found.rows.length })}</li>
        )}
      </ul>
    </div>
  );
}
