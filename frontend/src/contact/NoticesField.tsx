import { Link } from "react-router";
import { FactText } from "../draft/FactText";
import { useFact, useSite, useStore } from "../draft/hooks";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useAsk, useLeave, useNotices, type Notices } from "./api";

function standing(now: Notices, wished: string): "nowhere" | "inForce" | "stopping" | "notYet" | "notYetNowhere" {
  if (wished === now.in_force) return wished ? "inForce" : "nowhere";
  if (!wished) return "stopping";
  return now.in_force ? "notYet" : "notYetNowhere";
}

/** Whether the address is in force, and what can be done where it isn't. */
function Standing({ now, wished, readOnly }: { now: Notices; wished: string; readOnly: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const site = useSite();
  const store = useStore();
  const ask = useAsk(site.slug);
  const leave = useLeave(site.slug);
  const how = standing(now, wished);
  const waits = how !== "nowhere" && how !== "inForce";
  const asked = now.asked !== "" && now.asked === wished;
  async function send() {
    await store.flush();
    ask.mutate();
  }
  async function putBack() {
    store.type("facts", "notices_email", now.in_force);
    await store.flush();
    leave.mutate();
  }
  return (
    <div className="mt-1.5 grid justify-items-start gap-2">
      <p role="status" className={waits ? "text-warn" : how === "inForce" ? "text-act" : "text-soft"}>
        {waits ? "▲ " : ""}
        {t(`notices.${how}`, { address: now.in_force })}
        {asked && now.asked_at && waits ? ` ${t("notices.asked", { when: format.instant(now.asked_at) })}` : ""}
      </p>
      {waits && !site.may.manage.allowed && !readOnly && <p className="text-soft">{t("notices.ownerOnly")}</p>}
      {waits && site.may.manage.allowed && (
        <div className="flex flex-wrap gap-2">
          <Button variant={asked ? "quiet" : "act"} disabled={ask.isPending} onClick={() => void send()}>
            {t(how === "stopping" ? "notices.stop" : asked ? "notices.sendAgain" : "notices.send")}
          </Button>
          <Button variant="quiet" disabled={leave.isPending} onClick={() => void putBack()}>
            {t("notices.leave")}
          </Button>
        </div>
      )}
      {asked && waits && (
        <Link to={`/${site.slug}/mail?part=tray`} className="act-link">
          {t("notices.tray")}
        </Link>
      )}
      <ErrorNotice error={ask.error ?? leave.error} />
    </div>
  );
}

/** The private address: typed here, and in force once its reader agreed. */
export function NoticesField({ readOnly }: { readOnly: boolean }) {
  const site = useSite().slug;
  const wished = useFact("notices_email").trim();
  const now = useNotices(site).data;
  return (
    <>
      <FactText fact="notices_email" readOnly={readOnly} className="text-base font-medium" inWords={false} />
      {now && <Standing now={now} wished={wished} readOnly={readOnly} />}
    </>
  );
}
