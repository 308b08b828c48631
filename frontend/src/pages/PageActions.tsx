import { useState } from "react";
import { useNavigate } from "react-router";
import type { PageFull } from "../api/client";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useDuplicate, useMakeHome, useMakeNotFound, useMove } from "./api";
import { Deletion } from "./Deletion";
import { MoveBelow } from "./MoveBelow";
import { Steps } from "./Steps";

/** A place after all others. */
const LAST = 1_000_000;

function Moves({ page }: { page: PageFull }) {
  const move = useMove(useSite().slug);
  return (
    <>
      <Steps page={page} />
      <MoveBelow pages={[page]} onChoose={(parent) => move.mutate(page.id, { parent, index: LAST })} />
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
  if (sure)
    return (
      <Deletion pages={[page]} onKeep={() => setSure(false)} onDone={() => void navigate(`/${site.slug}/pages`)} />
    );
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
