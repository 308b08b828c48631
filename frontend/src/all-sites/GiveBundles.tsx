import { useState, type SubmitEvent } from "react";
import type { Site } from "../api/client";
import { BUNDLES } from "../api/lists.gen";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { CheckBox } from "../ui/CheckBox";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Select } from "../ui/Select";
import { useGive, type Bundle, type Done } from "./api";

interface Props {
  sites: Site[];
  slugs: string[];
  onDone: (done: Done[]) => void;
  onLeave: () => void;
}

/** How one site looks, and its manners, for all that are ticked. */
export function GiveBundles({ sites, slugs, onDone, onLeave }: Props) {
  const { t } = useTranslation();
  const give = useGive();
  // Chosen by hand: a guess would be right where it matters least.
  const [source, setSource] = useState("");
  const [bundles, setBundles] = useState<readonly Bundle[]>(["look"]);
  const [follows, setFollows] = useState(false);
  const others = slugs.filter((slug) => slug !== source);
  function submit(event: SubmitEvent) {
    event.preventDefault();
    give.mutate({ source, sites: others, bundles: [...bundles], follows }, { onSuccess: onDone });
  }
  return (
    <form onSubmit={submit} className="flex flex-1 flex-wrap items-center gap-x-4 gap-y-2">
      <Select
        label={t("round.from")}
        value={source}
        onChoose={setSource}
        options={[
          ["", t("round.chooseSource")] as const,
          ...sites.map((site) => [site.slug, `${site.name} · ${site.label || site.host}`] as const),
        ]}
      />
      {BUNDLES.map((bundle) => (
        <CheckBox
          key={bundle}
          checked={bundles.includes(bundle)}
          onChange={(on) => setBundles(on ? [...bundles, bundle] : bundles.filter((one) => one !== bundle))}
        >
          {t(`round.bundle.${bundle}`)}
        </CheckBox>
      ))}
      <CheckBox checked={follows} onChange={setFollows}>
        {t("round.follows")}
      </CheckBox>
      <Button type="submit" disabled={give.isPending || !source || others.length === 0 || bundles.length === 0}>
        {t("round.giveTo", { count: others.length })}
      </Button>
      <Button variant="quiet" onClick={onLeave}>
        {t("defaults.cancel")}
      </Button>
      <ErrorNotice error={give.error} />
    </form>
  );
}
