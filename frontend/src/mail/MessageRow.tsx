import { useState } from "react";
import { useSite } from "../draft/hooks";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { QueryBoundary } from "../ui/QueryBoundary";
import { useMessage, useSendAgain, type Message } from "./api";
import { MessageLook } from "./MessageLook";

const TONES: Record<Message["state"], string> = {
  kept: "text-soft",
  queued: "text-soft",
  begun: "text-soft",
  sent: "text-act",
  failed: "text-stop",
  unsure: "text-warn",
};

/** What went wrong with a message, and what can be done. */
function Trouble({ message, mayEdit }: { message: Message; mayEdit: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const again = useSendAgain(useSite().slug);
  const stuck = message.state === "failed" || message.state === "unsure";
  if (!message.error && !stuck) return null;
  return (
    <div className="grid gap-1">
      {message.error && <p className={stuck ? "text-stop" : "text-warn"}>{t("tray.said", { error: message.error })}</p>}
      {message.state === "unsure" && <p className="text-warn">{t("tray.unsureWhy")}</p>}
      {message.state === "queued" && message.due && (
        <p className="text-soft">{t("tray.due", { when: format.instant(message.due) })}</p>
      )}
      {stuck && mayEdit && (
        <span>
          <ActionLink onClick={() => again.mutate(message.id)}>{t("tray.again")}</ActionLink>
        </span>
      )}
      <ErrorNotice error={again.error} />
    </div>
  );
}

function Whole({ message }: { message: Message }) {
  const { t } = useTranslation();
  const site = useSite().slug;
  const whole = useMessage(site, message.id);
  return (
    <QueryBoundary query={whole}>
      {(found) => (
        <>
          <MessageLook of={String(message.id)} text={found.text} headers={found.headers} />
          <a
            href={`/api/sites/${site}/mail/${String(message.id)}/raw`}
            download
            className="act-link justify-self-start"
          >
            {t("tray.download")}
          </a>
        </>
      )}
    </QueryBoundary>
  );
}

/** One message: its subject, whom it went to, what became of it; opened, all of it. */
export function MessageRow({ message, mayEdit }: { message: Message; mayEdit: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [open, setOpen] = useState(false);
  return (
    <li className="border-t border-line">
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="grid w-full gap-x-5 px-6 py-3 text-start hover:bg-board/60 sm:grid-cols-[1fr_auto_13rem]"
      >
        <span className="min-w-0">
          <b dir="auto" className="block truncate font-semibold">
            {message.subject}
          </b>
          <span className="block truncate text-xs text-soft">{t("tray.to", { address: message.receiver })}</span>
        </span>
        <span className={`text-xs ${TONES[message.state]}`}>{t(`tray.state.${message.state}`)}</span>
        <span className="text-xs text-soft sm:text-end">{format.instant(message.sent ?? message.made)}</span>
      </button>
      {open && (
        <div className="grid gap-3 px-6 pt-3 pb-6">
          <Trouble message={message} mayEdit={mayEdit} />
          <Whole message={message} />
        </div>
      )}
    </li>
  );
}
