import { useState } from "react";
import type { Page } from "../api/client";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { TickedBar } from "../ui/TickedBar";
import { useBelow, usePage, useSeveral } from "./api";
import { PageSelect } from "./PageSelect";
import { Steps } from "./Steps";
import type { Chosen } from "./useChosen";

/** The steps of the one page that is ticked. */
function StepsOfOne({ id }: { id: number }) {
  const page = usePage(useSite().slug, id).data;
  return page?.may.move.allowed ? <Steps page={page} /> : null;
}

interface ActProps {
  pages: Page[];
  several: ReturnType<typeof useSeveral>;
}

function MoveTo({ pages, several }: ActProps) {
  const { t } = useTranslation();
  // Posts stand by their day.
  if (pages.some((page) => page.kind === "post")) return null;
  return (
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
      fits={(one) => pages.every((page) => page.id !== one.id && !one.above.includes(page.id))}
      wordsOf={(one) => t("addPage.below", { title: one.shown_title })}
      onChoose={(key) =>
        key &&
        several.mutate({
          act: "put_below",
          pages: pages.map(({ id }) => id),
          parent: key === "top" ? null : Number(key),
        })
      }
      className="min-h-9 max-w-48 rounded-sm border border-soft bg-paper px-1.5 py-1"
    />
  );
}

function InMenu({ pages, several }: ActProps) {
  const { t } = useTranslation();
  const able = pages.filter((page) => page.kind !== "post" && page.kind !== "not_found");
  return ([true, false] as const).map((on) => {
    const others = able.filter((page) => page.in_menu !== on);
    if (others.length === 0) return null;
    return (
      <ActionLink
        key={String(on)}
        onClick={() => several.mutate({ act: "menu", pages: others.map(({ id }) => id), on })}
      >
        {t(on ? "several.inMenu" : "several.hide")}
      </ActionLink>
    );
  });
}

/** Asks before pages are deleted; of one, what stands below it is named. */
function Deletion({ pages, several, onKeep, onDone }: ActProps & { onKeep: () => void; onDone: () => void }) {
  const { t } = useTranslation();
  const below = useBelow(useSite().slug, pages[0]?.id ?? 0).data ?? [];
  const named = pages.length === 1 ? below.map(({ title }) => title).join(", ") : "";
  return (
    <div role="alert" className="flex flex-wrap items-center gap-x-3 gap-y-2">
      <span className="max-w-3xl">
        {pages.length === 1
          ? t("pageActions.deleteSure", { title: pages[0]?.shown_title ?? "" })
          : t("several.deleteSure", { count: pages.length })}{" "}
        {named && t("pageActions.deleteBelow", { titles: named })}
        {pages.length > 1 && t("several.deleteBelow")}
      </span>
      <Button
        variant="quiet"
        disabled={several.isPending}
        onClick={() => several.mutate({ act: "delete", pages: pages.map(({ id }) => id) }, { onSuccess: onDone })}
      >
        {t("pageActions.deleteYes")}
      </Button>
      <Button variant="quiet" autoFocus onClick={onKeep}>
        {t(pages.length === 1 ? "pageActions.keep" : "several.keep")}
      </Button>
    </div>
  );
}

function Acts({ chosen }: { chosen: Chosen }) {
  const { t } = useTranslation();
  const several = useSeveral(useSite().slug);
  const [isSure, setSure] = useState(false);
  const pages = [...chosen.pages.values()];
  const [only, ...others] = pages;
  const asks = isSure && (
    <Deletion pages={pages} several={several} onKeep={() => setSure(false)} onDone={chosen.clear} />
  );
  return (
    <>
      {asks || (
        <>
          <b role="status" className="me-2 font-semibold">
            {t("several.chosen", { count: pages.length })}
          </b>
          {only && others.length === 0 && <StepsOfOne id={only.id} />}
          <MoveTo pages={pages} several={several} />
          <InMenu pages={pages} several={several} />
          {pages.every((page) => page.path !== "/") && (
            <ActionLink onClick={() => setSure(true)}>{t("pageActions.delete")}</ActionLink>
          )}
          <ActionLink onClick={chosen.clear}>{t("several.clear")}</ActionLink>
        </>
      )}
      <ErrorNotice error={several.error} />
    </>
  );
}

/** What can be done with the pages that are ticked, at the end of the window while any is. */
export function ChosenBar({ chosen }: { chosen: Chosen }) {
  const { t } = useTranslation();
  if (chosen.pages.size === 0) return null;
  return (
    <TickedBar label={t("several.title")}>
      {/* What was refused or asked of other pages is not said of these. */}
      <Acts key={[...chosen.pages.keys()].join()} chosen={chosen} />
    </TickedBar>
  );
}
