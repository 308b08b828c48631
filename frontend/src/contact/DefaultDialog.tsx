import { Dialog } from "radix-ui";
import { useState } from "react";
import type { FactKey } from "../draft/changes";
import { useSite, useStore } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { QueryBoundary } from "../ui/QueryBoundary";
import { useDefault, useDropDefault, useKeepDefault, type Default } from "./api";

interface Props {
  fact: FactKey;
  value: unknown;
  isSet: boolean;
  onClose: () => void;
}

type SiteDefault = Default["sites"][number];

function Sites({
  sites,
  chosen,
  onChoose,
}: {
  sites: SiteDefault[];
  chosen: string[];
  onChoose: (slugs: string[]) => void;
}) {
  const { t } = useTranslation();
  return (
    <ul className="my-3 max-h-72 overflow-y-auto border-t border-line">
      {sites.map((site) => (
        <li key={site.slug} className="border-b border-line">
          <label className="flex cursor-pointer items-baseline gap-2.5 py-2">
            <input
              type="checkbox"
              className="size-4 flex-none translate-y-0.5 accent-act"
              checked={chosen.includes(site.slug)}
              onChange={(event) =>
                onChoose(event.target.checked ? [...chosen, site.slug] : chosen.filter((one) => one !== site.slug))
              }
            />
            <span className="min-w-0">
              <b dir="auto" className="font-semibold">
                {site.name}
              </b>
              <span dir="auto" className="block break-words text-xs text-soft">
                {site.is_same
                  ? t("defaults.isSame")
                  : site.is_unsaid
                    ? t("defaults.isUnsaid")
                    : t("defaults.isOther", { words: site.words })}
              </span>
            </span>
          </label>
        </li>
      ))}
    </ul>
  );
}

/** Those that follow: they say the same as until now, or nothing. */
function following(found: Default): string[] {
  return found.sites.filter((site) => site.is_same || site.is_unsaid).map((site) => site.slug);
}

function Choice({ found, fact, value, isSet, onClose }: Props & { found: Default }) {
  const { t } = useTranslation();
  const store = useStore();
  const here = useSite().slug;
  const keep = useKeepDefault(fact);
  const drop = useDropDefault(fact);
  const [chosen, setChosen] = useState(() => following(found).filter((slug) => slug !== here));
  const others = found.sites.filter((site) => site.slug !== here);
  async function go() {
    await store.flush();
    keep.mutate({ value, sites: chosen }, { onSuccess: onClose });
  }
  return (
    <>
      <Sites sites={others} chosen={chosen} onChoose={setChosen} />
      <ErrorNotice error={keep.error ?? drop.error} />
      <div className="mt-3 flex flex-wrap gap-2">
        <Button disabled={keep.isPending} onClick={() => void go()}>
          {t("defaults.keep", { count: chosen.length })}
        </Button>
        {isSet && (
          <Button variant="quiet" onClick={() => drop.mutate(undefined, { onSuccess: onClose })}>
            {t("defaults.drop")}
          </Button>
        )}
        <Button variant="quiet" onClick={onClose}>
          {t("defaults.cancel")}
        </Button>
      </div>
    </>
  );
}

/** Saying a fact for all of one's sites: which drafts are to say it now. */
export function DefaultDialog(props: Props) {
  const { t } = useTranslation();
  const found = useDefault(props.fact);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && props.onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/30" />
        <Dialog.Content
          aria-describedby="default-lead"
          className="fixed inset-x-0 top-24 z-50 mx-auto max-h-[80vh] w-[34rem] max-w-[calc(100%-1.5rem)] overflow-y-auto rounded-lg border border-line bg-paper p-6 text-ink shadow-xl"
        >
          <Dialog.Title className="text-xl font-[650]">
            {t("defaults.title", { fact: t(`factName.${props.fact}`) })}
          </Dialog.Title>
          <p id="default-lead" className="mt-1 text-soft">
            {t("defaults.lead")}
          </p>
          <QueryBoundary query={found}>{(now) => <Choice found={now} {...props} />}</QueryBoundary>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
