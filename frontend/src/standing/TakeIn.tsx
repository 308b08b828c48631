import { useRef } from "react";
import { useTranslation } from "react-i18next";
import { Link } from "react-router";
import { Button } from "../ui/Button";
import { Refusals } from "../ui/Refusals";
import { useTakeIn, type TakenIn } from "./api";

function NotAll({ made }: { made: TakenIn }) {
  const { t } = useTranslation();
  return (
    <>
      <p className="text-warn">▲ {t("whole.inNot")}</p>
      <ul className="max-h-64 overflow-y-auto" tabIndex={0} aria-label={t("whole.inNot")}>
        {made.problems.map((problem, index) => (
          <li key={index} className="py-0.5 break-words">
            {problem.file && <span className="me-2 font-code text-xs">{problem.file}</span>}
            {problem.message}
          </li>
        ))}
        {made.more_problems > 0 && <li>{t("whole.inMore", { count: made.more_problems })}</li>}
      </ul>
    </>
  );
}

/** Another site from a package that a Hestor made. */
export function TakeIn() {
  const { t } = useTranslation();
  const file = useRef<HTMLInputElement>(null);
  const take = useTakeIn();
  return (
    <section aria-labelledby="take-in" className="grid justify-items-start gap-2">
      <h2 id="take-in" className="text-base font-semibold">
        {t("whole.in")}
      </h2>
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
          {take.data.problems.length > 0 && <NotAll made={take.data} />}
          <Link to={`/${take.data.slug}/style`} className="act-link">
            {t("whole.inGo")}
          </Link>
        </div>
      )}
    </section>
  );
}
