import { useState } from "react";
import { useNavigate } from "react-router";
import type { Page, PageFull } from "../api/client";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Notice } from "../ui/Notice";
import { useBelow, useDeletePage, useDuplicate, useMakeHome, useMakeNotFound, useMove } from "./api";
import { mayStandBelow } from "./moves";
import { PageSelect } from "./PageSelect";
import { Steps } from "./Steps";

/** A place after all others. */
const LAST = 1_000_000;

/** Asks before a page is deleted, its subpages named. */
function Deletion({ page, onKeep }: { page: Page; onKeep: () => void }) {
  const { t } = useTranslation();
  const site = useSite().slug;
  const navigate = useNavigate();
  const remove = useDeletePage(site);
  const below = useBelow(site, page.id).data;
  const named = below?.map((one) => one.title).join(", ") ?? "";
  return (
    <Notice
      tone="stop"
      actions={
        <>
          <Button
            variant="quiet"
            disabled={remove.isPending || !below}
            onClick={() => remove.mutate(page.id, { onSuccess: () => void navigate(`/${site}/pages`) })}
          >
            {t("pageActions.deleteYes")}
          </Button>
          {/* The link that asked is gone: who works by keyboard goes on here, at the harmless one of the two. */}
          <Button variant="quiet" autoFocus onClick={onKeep}>
            {t("pageActions.keep")}
          </Button>
          <ErrorNotice error={remove.error} />
        </>
      }
    >
      {t("pageActions.deleteSure", { title: page.shown_title })}{" "}
      {named && t("pageActions.deleteBelow", { titles: named })}
    </Notice>
  );
}

function Moves({ page }: { page: PageFull }) {
  const { t } = useTranslation();
  const move = useMove(useSite().slug);
  return (
    <>
      <Steps page={page} />
      <PageSelect
        label={t("pageActions.moveTo")}
        hideLabel
        value=""
        keyOf={(one) => String(one.id)}
        others={[
          ["", t("pageActions.moveTo")],
          ["top", t("addPage.top")],
        ]}
        only="parents"
        fits={(one) => mayStandBelow(page, one)}
        wordsOf={(one) => t("addPage.below", { title: one.shown_title })}
        onChoose={(key) => key && move.mutate(page.id, { parent: key === "top" ? null : Number(key), index: LAST })}
        className="max-w-48 rounded-sm border border-soft bg-paper px-1.5 py-1"
      />
      <ErrorNotice error={move.error} />
    </>
  );
}

/** What can be done with a page as a whole: moved, copied, deleted. */
export function PageActions({ page }: { page: PageFull }) {
  const may = page.may;
  const { t } = useTranslation();
  const site = useSite();
  const navigate = useNavigate();
  const copy = useDuplicate(site.slug);
  const home = useMakeHome(site.slug);
  const notFound = useMakeNotFound(site.slug);
  const [sure, setSure] = useState(false);
  if (sure) return <Deletion page={page} onKeep={() => setSure(false)} />;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-line pt-2.5">
      {may.move.allowed && <Moves page={page} />}
      {may.duplicate.allowed && (
        <ActionLink
          onClick={() =>
            copy.mutate(page.id, {
              onSuccess: (made) => void navigate(`/${site.slug}/pages/${String(made.id)}`),
            })
          }
        >
          {t("pageActions.duplicate")}
        </ActionLink>
      )}
      {may.make_home.allowed && <ActionLink onClick={() => home.mutate(page.id)}>{t("pageActions.home")}</ActionLink>}
      {may.make_not_found.allowed && (
        <ActionLink onClick={() => notFound.mutate({ page: page.id, on: page.kind === "page" })}>
          {t(page.kind === "page" ? "pageActions.notFound" : "pageActions.found")}
        </ActionLink>
      )}
      {may.delete.allowed && <ActionLink onClick={() => setSure(true)}>{t("pageActions.delete")}</ActionLink>}
      <ErrorNotice error={copy.error ?? home.error ?? notFound.error} />
    </div>
  );
}
