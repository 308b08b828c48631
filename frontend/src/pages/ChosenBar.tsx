import { useState } from "react";
import type { Page } from "../api/client";
import { NEVER_IN_MENU } from "../api/lists.gen";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { TickedBar } from "../ui/TickedBar";
import { usePage, useSeveral } from "./api";
import { Deletion } from "./Deletion";
import { MoveBelow } from "./MoveBelow";
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
  // Posts stand by their day.
  if (pages.some((page) => page.kind === "post")) return null;
  return (
    <MoveBelow
      pages={pages}
      onChoose={(parent) => several.mutate({ act: "put_below", pages: pages.map(({ id }) => id), parent })}
    />
  );
}

function InMenu({ pages, several }: ActProps) {
  const { t } = useTranslation();
  const able = pages.filter(({ kind }) => !NEVER_IN_MENU.some((one) => one === kind));
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

function Acts({ chosen }: { chosen: Chosen }) {
  const { t } = useTranslation();
  const several = useSeveral(useSite().slug);
  const [isSure, setSure] = useState(false);
  const pages = [...chosen.pages.values()];
  const [only, ...others] = pages;
  if (isSure) return <Deletion pages={pages} onKeep={() => setSure(false)} onDone={chosen.clear} />;
  return (
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
