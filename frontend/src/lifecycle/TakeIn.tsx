import { useRef } from "react";
import { Link } from "react-router";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { Part } from "../ui/Part";
import { Refusals } from "../ui/Refusals";
import { NotTaken } from "../ui/NotTaken";
import { useTakeIn } from "./api";

/** Another site from a package that a Hestor made. */
export function TakeIn() {
  const { t } = useTranslation();
  const file = useRef<HTMLInputElement>(null);
  const take = useTakeIn();
  return (
    <Part id="take-in" title={t("whole.in")} className="grid justify-items-start gap-2">
      <p className="text-soft">{t("whole.inLead")}</p>
      <Button variant="quiet" disabled={take.isPending} onClick={() => file.current?.click()}>
        {t("whole.inChoose")}
      </Button>
      <input
        ref={file}
        type="file"
        hidden
        accept=".zip,application/zip"
        aria-label={t("whole.inChoose")}
        onChange={(event) => {
          const [chosen] = event.target.files ?? [];
          event.target.value = "";
          if (chosen) take.mutate(chosen);
        }}
      />
      {take.isPending && <p role="status">{t("imports.busy")}</p>}
      <Refusals error={take.error} />
      {take.data && (
        <div role="status" className="grid gap-1">
          <NotTaken title={t("whole.inNot")} report={take.data} />
          <Link to={`/${take.data.slug}/style`} className="act-link">
            {t("whole.inGo")}
          </Link>
        </div>
      )}
    </Part>
  );
}
