import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { Notice } from "../ui/Notice";
import { useForgetTime, type Timing } from "./api";

/** What is to be published by itself; or why it was not. */
export function TimedNotice({ site, timing, mayChange }: { site: string; timing: Timing; mayChange: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const forget = useForgetTime(site);
  const { timed } = timing;
  if (!timed) return null;
  const said = { at: format.momentIn(new Date(timed.moment), timing.zone), by: timed.by, zone: timing.zone };
  return (
    <div className="mb-5">
      <Notice
        tone={timed.failed || timed.is_stale ? "warn" : "act"}
        actions={
          mayChange && (
            <Button variant="quiet" disabled={forget.isPending} onClick={() => forget.mutate()}>
              {timed.failed ? t("timed.dismiss") : t("timed.forget")}
            </Button>
          )
        }
      >
        <p>
          {timed.failed ||
            t(timed.held_back.length ? "timed.setHeld" : "timed.isSet", { ...said, count: timed.held_back.length })}
        </p>
        {!timed.failed && timed.is_stale && <p className="font-semibold">{t("timed.stale")}</p>}
      </Notice>
    </div>
  );
}
