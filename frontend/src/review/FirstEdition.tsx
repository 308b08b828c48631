import { useState } from "react";
import { Board } from "../board";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import type { Changes } from "./api";
import { ChangeList, MoreChanges } from "./ChangeList";

/** What a site is before anybody has seen it: nothing changes there, so that all places stand on one sheet. */
export function FirstEdition({ changes, onMore }: { changes: Changes; onMore: () => void }) {
  const { t } = useTranslation();
  const [inWords, setInWords] = useState(false);
  return (
    <>
      <h2 className="mb-3 text-base font-semibold">{t("review.firstSheet")}</h2>
      <div className="dotted rounded-md p-3.5">
        {/* No sample: visitors see none. */}
        <Board fact="" withSamples={false} />
      </div>
      <p className="py-4">
        <ActionLink expanded={inWords} onClick={() => setInWords(!inWords)}>
          {t("review.firstWords", { count: changes.count })}
        </ActionLink>
      </p>
      {inWords && (
        <>
          <ChangeList changes={changes.changes} tense="before" />
          <MoreChanges count={changes.count - changes.changes.length} onMore={onMore} />
        </>
      )}
    </>
  );
}
