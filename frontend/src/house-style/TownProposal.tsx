import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useId, useState } from "react";
import { api, result, type Facts, type Schemas, type Town } from "../api/client";
import { useFactActions, useSelect } from "../draft/hooks";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Button } from "../ui/Button";
import { QueryBoundary } from "../ui/QueryBoundary";

type Proposal = Schemas["ProposalOut"];
type ProposedFact = keyof Facts;

function useProposal(town: number, language: string, zone: string) {
  const query = { language, zone };
  return useQuery({
    queryKey: ["proposal", town, language, zone],
    queryFn: () => result<Proposal>(api.GET("/api/towns/{town}/proposal", { params: { path: { town }, query } })),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });
}

interface Props {
  town: Town;
  onDone: () => void;
}

/** What follows from a town, shown together, to be taken whole or in part; and what else there is in its country. */
export function TownProposal({ town, onDone }: Props) {
  const [language, setLanguage] = useState("");
  const [zone, setZone] = useState("");
  const proposal = useProposal(town.id, language, zone);
  return (
    <QueryBoundary query={proposal}>
      {(found) => <Proposed proposal={found} onLanguage={setLanguage} onZone={setZone} onDone={onDone} />}
    </QueryBoundary>
  );
}

interface ProposedProps {
  proposal: Proposal;
  onLanguage: (tag: string) => void;
  onZone: (zone: string) => void;
  onDone: () => void;
}

function Proposed({ proposal, onLanguage, onZone, onDone }: ProposedProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const id = useId();
  const facts = useFactActions();
  const [left, setLeft] = useState<readonly string[]>([]);
  const said = useSelect(({ facts: document }) =>
    Object.fromEntries(proposal.facts.map((one) => [one.fact, document.value(one.fact as ProposedFact)])),
  );
  const changes = proposal.facts.filter((one) => one.value !== said[one.fact]);
  const taken = changes.filter((one) => !left.includes(one.fact));
  const toggle = (fact: string) => setLeft(left.includes(fact) ? left.filter((one) => one !== fact) : [...left, fact]);
  return (
    <section aria-labelledby={`${id}-title`} className="mt-3 rounded-lg border border-act p-3.5">
      <h3 id={`${id}-title`} className="font-semibold">
        {t("proposal.title", { town: proposal.town.name })}
      </h3>
      {proposal.languages.length > 1 && (
        <label className="mt-2 grid gap-1 text-xs text-soft">
          {t("proposal.language")}
          <select
            value={proposal.language}
            className="rounded-sm border border-soft bg-paper px-1.5 py-1 text-sm text-ink"
            onChange={(event) => onLanguage(event.target.value)}
          >
            {proposal.languages.map((one) => (
              <option key={one.tag} value={one.tag}>
                {one.own_name}
              </option>
            ))}
          </select>
        </label>
      )}
      {proposal.zones.length > 1 && (
        <label className="mt-2 grid gap-1 text-xs text-soft">
          {t("proposal.zone", { country: proposal.town.country })}
          <select
            value={proposal.zone}
            className="rounded-sm border border-soft bg-paper px-1.5 py-1 text-sm text-ink"
            onChange={(event) => onZone(event.target.value)}
          >
            {proposal.zones.map((one) => (
              <option key={one.zone} value={one.zone}>
                {t("proposal.asIn", { time: format.timeIn(one.zone), town: one.town })}
              </option>
            ))}
          </select>
        </label>
      )}
      <ul className="mt-3 grid gap-1" aria-label={t("proposal.facts")}>
        {proposal.facts.map((one) => {
          const same = !changes.includes(one);
          return (
            <li key={one.fact}>
              <label className="grid grid-cols-[auto_1fr] items-baseline gap-x-2.5">
                <input
                  type="checkbox"
                  className="size-4 translate-y-0.5 accent-act"
                  disabled={same}
                  checked={same || taken.includes(one)}
                  onChange={() => toggle(one.fact)}
                />
                <span>
                  <span className="text-xs text-soft">
                    {t(`factName.${one.fact as ProposedFact & "language"}`)}
                    {same && ` · ${t("proposal.already")}`}
                  </span>
                  <span dir="auto" lang={proposal.language} className="block font-medium">
                    {one.says}
                  </span>
                </span>
              </label>
            </li>
          );
        })}
      </ul>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Button
          disabled={taken.length === 0}
          onClick={() => {
            facts.choose(Object.fromEntries(taken.map((one) => [one.fact, one.value])));
            onDone();
          }}
        >
          {t("proposal.take", { count: taken.length })}
        </Button>
        <ActionLink onClick={onDone}>{t("proposal.leave")}</ActionLink>
      </div>
    </section>
  );
}
