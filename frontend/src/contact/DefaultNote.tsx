import { useState } from "react";
import { same } from "../draft/document";
import type { FactKey } from "../draft/changes";
import { useFact, useFactActions, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useSites } from "../sites";
import { ActionLink } from "../ui/ActionLink";
import { later } from "../ui/later";
import { useSiteDefaults } from "./api";

const DefaultDialog = later(async () => (await import("./DefaultDialog")).DefaultDialog);

/** Whether a fact is as said for all the owner's sites; and what can be done about it. */
export function DefaultNote({ fact, readOnly }: { fact: FactKey; readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const defaults = useSiteDefaults(useSite().slug).data;
  const value = useFact(fact);
  const [open, setOpen] = useState(false);
  const several = (useSites().data?.length ?? 0) > 1;
  if (!defaults) return null;
  const isSet = fact in defaults.values;
  const common: unknown = defaults.values[fact];
  const isSame = isSet && same(value, common);
  return (
    <div className="mt-2 flex flex-wrap items-baseline gap-x-3 gap-y-1 text-xs text-soft">
      {isSame && <span>✓ {t(defaults.mine ? "defaults.same" : "defaults.sameTheirs")}</span>}
      {isSet && !isSame && (
        <span>
          {t("defaults.differs", { words: defaults.words[fact] || t("defaults.nothing") })}
          {!readOnly && (
            <button type="button" className="act-link ms-2" onClick={() => facts.choose({ [fact]: common })}>
              {t("defaults.take")}
            </button>
          )}
        </span>
      )}
      {defaults.mine && !readOnly && (isSet || several) && (
        <ActionLink onClick={() => setOpen(true)}>{t("defaults.say")}</ActionLink>
      )}
      {open && <DefaultDialog fact={fact} value={value} isSet={isSet} onClose={() => setOpen(false)} />}
    </div>
  );
}
