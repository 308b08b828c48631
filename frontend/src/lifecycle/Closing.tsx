import { useId } from "react";
import { useWhen } from "../draft/when/useWhen";
import { WhenField } from "../draft/when/WhenField";
import { useTranslation } from "../i18n/useTranslation";
import { SiteMark } from "../sites";
import { Part } from "../ui/Part";
import type { Site } from "../api/client";
import { useFormat } from "../i18n/format";
import { Button } from "../ui/Button";
import { Refusals } from "../ui/Refusals";
import { useClose, type Closed } from "./api";

function Open({ site, onClose, isBusy }: { site: Site; onClose: (until: string) => void; isBusy: boolean }) {
  const { t } = useTranslation();
  const id = useId();
  const { field, withValue } = useWhen();
  return (
    <>
      <p className="text-soft">{t("lifecycle.closeNote", { name: site.name })}</p>
      <span className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <label htmlFor={id}>{t("lifecycle.until")}</label>
        <WhenField wanted="moment" id={id} {...field} />
        <Button variant="quiet" disabled={isBusy} onClick={() => withValue(onClose)}>
          {t("lifecycle.close")}
          <SiteMark site={site} />
        </Button>
      </span>
    </>
  );
}

/** Telling visitors that the site is closed for a while. */
export function Closing({ site, closed }: { site: Site; closed: Closed }) {
  const { t } = useTranslation();
  const format = useFormat();
  const close = useClose(site.slug);
  return (
    <Part id="closing" title={t("lifecycle.closing")} className="grid justify-items-start gap-2">
      <p role="status" className={closed.closed ? "font-semibold" : ""}>
        {!closed.closed
          ? t("lifecycle.isOpen")
          : closed.moment
            ? t("lifecycle.isClosedUntil", { at: format.instant(closed.moment) })
            : t("lifecycle.isClosed")}
      </p>
      {!site.may.manage.allowed ? (
        <p className="text-soft">{t("lifecycle.ownersOnly")}</p>
      ) : closed.closed ? (
        <Button disabled={close.isPending} onClick={() => close.mutate(null)}>
          {t("lifecycle.reopen")}
        </Button>
      ) : (
        <Open site={site} isBusy={close.isPending} onClose={(until) => close.mutate(until)} />
      )}
      <Refusals error={close.error} />
    </Part>
  );
}
