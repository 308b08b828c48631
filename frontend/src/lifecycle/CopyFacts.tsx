import { useState } from "react";
import type { Change, Site } from "../api/client";
import { useStore } from "../draft/hooks";
import { UndoButtons } from "../draft/UndoButtons";
import { useUndoKeys } from "../draft/useUndoKeys";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { CheckBox } from "../ui/CheckBox";
import { Notice } from "../ui/Notice";
import { Part } from "../ui/Part";
import { QueryBoundary } from "../ui/QueryBoundary";
import { Refusals } from "../ui/Refusals";
import { Select } from "../ui/Select";
import { useCopy, useDifferences, type Differences } from "./api";

function Row({ change, chosen, onChoose }: { change: Change; chosen: boolean; onChoose: (on: boolean) => void }) {
  const { t } = useTranslation();
  return (
    <li className="grid gap-x-6 gap-y-1 border-b border-line py-2.5 sm:grid-cols-[13rem_1fr]">
      <div className="self-start">
        <CheckBox checked={chosen} onChange={onChoose}>
          <b className="font-semibold">{change.name}</b>
        </CheckBox>
      </div>
      <dl className="grid grid-cols-[3.6rem_1fr] gap-x-3">
        <dt className="text-soft">{t("whole.here")}</dt>
        <dd dir="auto" className="min-w-0 break-words text-soft">
          {change.old || t("sheet.nothing")}
        </dd>
        <dt className="text-soft">{t("whole.there")}</dt>
        <dd dir="auto" className="min-w-0 break-words">
          {change.new || t("sheet.nothing")}
        </dd>
      </dl>
    </li>
  );
}

interface FactsProps {
  differences: Differences;
  isBusy: boolean;
  onCopy: (keys: string[]) => void;
}

function Facts({ differences, isBusy, onCopy }: FactsProps) {
  const { t } = useTranslation();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const keys = differences.changes.map((change) => change.key);
  const kept = keys.filter((key) => chosen.has(key));
  if (!keys.length) return <p>{t("whole.same")}</p>;
  function choose(key: string, on: boolean) {
    const next = new Set(chosen);
    if (on) next.add(key);
    else next.delete(key);
    setChosen(next);
  }
  return (
    <>
      <CheckBox checked={kept.length === keys.length} onChange={(on) => setChosen(new Set(on ? keys : []))}>
        {t("whole.all")}
      </CheckBox>
      <ul className="border-t border-ink">
        {differences.changes.map((change) => (
          <Row
            key={change.key}
            change={change}
            chosen={chosen.has(change.key)}
            onChoose={(on) => choose(change.key, on)}
          />
        ))}
      </ul>
      <div>
        <Button disabled={isBusy || kept.length === 0} onClick={() => onCopy(kept)}>
          {t("whole.copyNow", { count: kept.length })}
        </Button>
      </div>
    </>
  );
}

/** Facts of another of one's sites, looked at beside this one's, and copied by choice. */
export function CopyFacts({ site, sites }: { site: Site; sites: Site[] }) {
  const { t } = useTranslation();
  const store = useStore();
  const [from, setFrom] = useState("");
  const differences = useDifferences(site.slug, from);
  const copy = useCopy(site.slug, from);
  useUndoKeys(store, site.may.edit.allowed);
  const others = sites.filter((one) => one.slug !== site.slug);
  if (!others.length) return null;
  const copied = copy.variables?.keys.length ?? 0;
  return (
    <Part id="copy-facts" title={t("whole.copy")}>
      <p className="text-soft">{t("whole.copyLead")}</p>
      <Select
        label={t("whole.from")}
        value={from}
        onChoose={(slug) => {
          copy.reset();
          setFrom(slug);
        }}
        options={[["", t("whole.choose")], ...others.map((one) => [one.slug, one.label || one.name] as const)]}
      />
      {copy.isSuccess && (
        <Notice tone="act" actions={<UndoButtons />}>
          {t("whole.copied", { count: copied })}
        </Notice>
      )}
      <Refusals error={copy.error} />
      {from && (
        <QueryBoundary query={differences}>
          {(found) => (
            <Facts
              key={`${from} ${String(found.revision)}`}
              differences={found}
              isBusy={copy.isPending}
              onCopy={(keys) => void store.flush().then(() => copy.mutate({ keys, revision: found.revision }))}
            />
          )}
        </QueryBoundary>
      )}
    </Part>
  );
}
