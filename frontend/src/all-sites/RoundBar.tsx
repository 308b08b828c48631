import { useState } from "react";
import type { Site } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { TickedBar } from "../ui/TickedBar";
import { useSweepSeveral, type Done } from "./api";
import { GiveBundles } from "./GiveBundles";
import { SayFact } from "./SayFact";

interface Props {
  sites: Site[];
  chosen: Site[];
  onDone: (done: Done[]) => void;
  onReview: () => void;
  onClear: () => void;
}

/** What can be done with the sites that are ticked, at the end of the window while any is. */
export function RoundBar({ sites, chosen, onDone, onReview, onClear }: Props) {
  const { t } = useTranslation();
  const [act, setAct] = useState<"say" | "give" | null>(null);
  const sweep = useSweepSeveral();
  const slugs = chosen.map(({ slug }) => slug);
  const query = new URLSearchParams(slugs.map((slug) => ["sites", slug])).toString();
  const mayEdit = chosen.every((site) => site.may.edit.allowed);
  function leave() {
    setAct(null);
  }
  function done(made: Done[]) {
    leave();
    onDone(made);
  }
  return (
    <TickedBar label={t("round.ticked")}>
      {act === "say" && <SayFact slugs={slugs} onDone={done} onLeave={leave} />}
      {act === "give" && <GiveBundles sites={sites} slugs={slugs} onDone={done} onLeave={leave} />}
      {!act && (
        <>
          <b role="status" className="me-2 font-semibold">
            {t("round.chosen", { count: chosen.length })}
          </b>
          {mayEdit && <ActionLink onClick={() => setAct("say")}>{t("round.say")}</ActionLink>}
          {mayEdit && sites.length > 1 && <ActionLink onClick={() => setAct("give")}>{t("round.give")}</ActionLink>}
          <ActionLink onClick={() => sweep.mutate(slugs)}>
            {sweep.isPending ? t("round.sweeping") : t("round.sweep")}
          </ActionLink>
          <a href={`/api/several-sites/packages.zip?${query}`} download className="act-link me-3">
            {t("round.export")}
          </a>
          <ActionLink onClick={onClear}>{t("several.clear")}</ActionLink>
          {mayEdit && (
            <Button className="ms-auto" onClick={onReview}>
              {t("round.reviewThem", { count: chosen.length })}
            </Button>
          )}
        </>
      )}
      <ErrorNotice error={sweep.error} />
    </TickedBar>
  );
}
