import { useState } from "react";
import { Link } from "react-router";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Spot } from "./Spot";
import { useMeant, type Stray } from "./api";

/** The field that a stray stands in: of a text within a fact, the fact. */
const fieldOf = (stray: Stray) => (stray.field || stray.place).split(".")[0] ?? "";

/** Where a spot is changed by hand. */
function spotOf(stray: Stray): string {
  if (!stray.page_id) return `style#fact-${fieldOf(stray)}`;
  return stray.place === "title" ? "pages/titles" : `pages/${String(stray.page_id)}`;
}

/** Why a stray is meant: a word for whoever finds it quiet later. */
function MeantForm({ stray, onLeave }: { stray: Stray; onLeave: () => void }) {
  const { t } = useTranslation();
  const { keep } = useMeant(useSite().slug);
  const [reason, setReason] = useState("");
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate({ id: stray.id, reason });
      }}
    >
      <label className="min-w-56 flex-1">
        <span className="mb-1 block text-soft">{t("consistency.reason")}</span>
        <input
          autoFocus
          className="min-h-9 w-full rounded-md border border-soft bg-paper px-3 py-1.5"
          maxLength={200}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <Button type="submit" variant="quiet" disabled={keep.isPending}>
        {t("consistency.keepMeant")}
      </Button>
      <ActionLink onClick={onLeave}>{t("consistency.leave")}</ActionLink>
      <ErrorNotice error={keep.error} />
    </form>
  );
}

interface Props {
  stray: Stray;
  edits: boolean;
  isChosen: boolean;
  isBusy: boolean;
  onChoose: (chosen: boolean) => void;
  onMend: (reading?: number) => void;
}

/** One stray: its page, its spot in context, and what can be done. */
export function StrayRow({ stray, edits, isChosen, isBusy, onChoose, onMend }: Props) {
  const { t } = useTranslation();
  const site = useSite();
  const [asks, setAsks] = useState(false);
  const where = stray.page_id ? stray.title || stray.page : t("consistency.allPages");
  const place = t(`consistency.place.${fieldOf(stray)}`, { defaultValue: t("consistency.place.text") });
  return (
    <li className="flex gap-3 border-t border-line px-6 py-3">
      {edits && (!stray.mend || stray.asks) && <i aria-hidden className="w-4 flex-none" />}
      {edits && stray.mend && !stray.asks && (
        <input
          type="checkbox"
          aria-label={t("consistency.choose", { page: where, says: stray.says })}
          className="mt-1 size-4 flex-none accent-act"
          checked={isChosen}
          onChange={(event) => onChoose(event.target.checked)}
        />
      )}
      <div className="min-w-0 flex-1">
        <p className="mb-0.5 flex flex-wrap items-baseline gap-x-2">
          <b className="font-semibold">{where}</b>
          <span className="text-[12.5px] text-soft">{place}</span>
          {stray.asks ? (
            <span className="text-[12.5px] text-warn">{t("consistency.asks")}</span>
          ) : (
            stray.sure < 0.8 && <span className="text-[12.5px] text-soft">{t("consistency.unsure")}</span>
          )}
        </p>
        <Spot stray={stray} />
        <div className="mt-1.5 flex flex-wrap items-center gap-x-1 gap-y-1.5">
          {edits && stray.mend && <ActionLink onClick={() => !isBusy && onMend()}>{t(`consistency.mend`)}</ActionLink>}
          {edits &&
            stray.readings.map((one, number) => (
              <ActionLink key={one.day} onClick={() => !isBusy && onMend(number)}>
                {t("consistency.itIs", { day: one.shown })}
              </ActionLink>
            ))}
          <Link to={`/${site.slug}/${spotOf(stray)}`} className="act-link me-3">
            {t("consistency.go")}
          </Link>
          {edits && !asks && (
            <ActionLink onClick={() => setAsks(true)} expanded={asks}>
              {t("consistency.meant")}
            </ActionLink>
          )}
        </div>
        {asks && <MeantForm stray={stray} onLeave={() => setAsks(false)} />}
      </div>
    </li>
  );
}
