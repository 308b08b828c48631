import { useId } from "react";
import { useWhen } from "../draft/when/useWhen";
import { WhenField } from "../draft/when/WhenField";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { Refusals } from "../ui/Refusals";
import { useSetTime, type Publishing, type Timing } from "./api";

interface Props {
  site: string;
  timing: Timing;
  publishing: Publishing;
}

/** Publishing what is reviewed here at a time of the site's clock. */
export function Later({ site, timing, publishing }: Props) {
  const { t } = useTranslation();
  const id = useId();
  const set = useSetTime(site);
  const { field, withValue } = useWhen(timing.proposed);
  return (
    <details className="mt-4">
      <summary className="act-link inline-block cursor-pointer">{t("timed.open")}</summary>
      <form
        className="mt-2 grid max-w-xl gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          withValue((at) => set.mutate({ ...publishing, at }));
        }}
      >
        <label htmlFor={id}>{t("timed.at", { zone: timing.zone })}</label>
        <span className="flex flex-wrap items-center gap-3">
          <WhenField wanted="moment" id={id} required describedBy={`${id}-note`} {...field} />
          <Button type="submit" variant="quiet" disabled={set.isPending}>
            {t("timed.set")}
          </Button>
        </span>
        <p id={`${id}-note`} className="text-soft">
          {t("timed.note")}
        </p>
        <Refusals error={set.error}>{t("review.lookAgain")}</Refusals>
      </form>
    </details>
  );
}
