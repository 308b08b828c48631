import { useState } from "react";
import { useSite } from "../draft/hooks";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Notice } from "../ui/Notice";
import { useDeleteEnquiry, useMark, type Enquiry } from "./api";

function Actions({ enquiry }: { enquiry: Enquiry }) {
  const { t } = useTranslation();
  const site = useSite();
  const mark = useMark(site.slug);
  const remove = useDeleteEnquiry(site.slug);
  const [sure, setSure] = useState(false);
  const { id, done, suspect } = enquiry;
  if (sure)
    return (
      <Notice
        tone="stop"
        actions={
          <>
            <Button variant="quiet" disabled={remove.isPending} onClick={() => remove.mutate(id)}>
              {t("inbox.deleteYes")}
            </Button>
            <Button variant="quiet" onClick={() => setSure(false)}>
              {t("inbox.deleteNo")}
            </Button>
          </>
        }
      >
        {t("inbox.deleteSure")}
      </Notice>
    );
  return (
    <div>
      {!suspect && (
        <ActionLink onClick={() => mark.mutate({ id, done: !done })}>
          {t(done ? "inbox.undone" : "inbox.done")}
        </ActionLink>
      )}
      <ActionLink onClick={() => mark.mutate({ id, suspect: !suspect })}>
        {t(suspect ? "inbox.person" : "inbox.program")}
      </ActionLink>
      <ActionLink onClick={() => setSure(true)}>{t("inbox.delete")}</ActionLink>
      <ErrorNotice error={mark.error ?? remove.error} />
    </div>
  );
}

/** One message: who wrote, when, how it begins; opened, all of it and what can be done with it. */
export function EnquiryRow({ enquiry, mayEdit }: { enquiry: Enquiry; mayEdit: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [open, setOpen] = useState(false);
  const name = enquiry.name || t("inbox.nameless");
  return (
    <li className="border-t border-line">
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="grid w-full gap-x-5 px-6 py-3 text-start hover:bg-board/60 sm:grid-cols-[14rem_1fr_auto]"
      >
        <span className="min-w-0">
          <b dir="auto" className={`block truncate font-semibold ${enquiry.name ? "" : "text-soft"}`}>
            {name}
          </b>
          <span className="block truncate font-code text-[11px] text-soft">{enquiry.email}</span>
        </span>
        <span dir="auto" className={`min-w-0 text-soft ${open ? "invisible max-sm:hidden" : "line-clamp-2"}`}>
          {enquiry.message}
        </span>
        <span className="text-xs text-soft">{format.instant(enquiry.received)}</span>
      </button>
      {open && (
        <div className="grid gap-3 px-6 pt-3 pb-5 sm:ps-[calc(1.5rem+14rem+1.25rem)]">
          <p dir="auto" className="max-w-[42rem] text-[15px] break-words whitespace-pre-wrap">
            {enquiry.message}
          </p>
          <p className="text-xs text-soft">
            {enquiry.told && `${t("inbox.told", { address: enquiry.told })} · `}
            {t("inbox.gone", { day: format.day(enquiry.gone.slice(0, 10)) })}
          </p>
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <a href={`mailto:${encodeURIComponent(enquiry.email)}`} className="act-link">
              {t("inbox.answer")}
            </a>
            {mayEdit && <Actions enquiry={enquiry} />}
          </div>
        </div>
      )}
    </li>
  );
}
