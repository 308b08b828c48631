import { useState } from "react";
import { Link } from "react-router";
import { api, result, type Schemas } from "../api/client";
import { useSteps } from "../api/steps";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Button } from "../ui/Button";

type Step = Schemas["LiveOut"];

interface Looked {
  done: number;
  total: number;
  at: string;
  deviations: Step["deviations"];
}

/** Looks at page after page of the live edition; it ends when the view is left. */
export function useLive(site: string) {
  const [turn, setTurn] = useState(0);
  const [looked, setLooked] = useState<Looked | null>(null);
  const [error, setError] = useState<Error | null>(null);
  useSteps<Step>(`${site} ${String(turn)}`, {
    step: (start) =>
      result<Step>(api.POST("/api/sites/{site}/sweep/live", { params: { path: { site } }, body: { start } })),
    onStep: (step) => {
      setLooked((before) => {
        // A look that begins anew has found nothing yet.
        const found = before && before.done < step.done && before.done < before.total ? before.deviations : [];
        const { done, total, checked_at: moment } = step;
        return { done, total, at: moment, deviations: [...found, ...step.deviations] };
      });
      setError(null);
    },
    onFailed: setError,
  });
  const isDone = looked !== null && looked.done >= looked.total;
  const straying = new Set(looked?.deviations.map((one) => one.page)).size;
  return { looked, error, isDone, straying, again: () => setTurn((count) => count + 1) };
}

/** After publishing: every page, fetched as a visitor gets it, agrees; or which does not, and why. */
export function Confirmed({ site, live }: { site: string; live: ReturnType<typeof useLive> }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { looked, error, isDone, straying } = live;
  const again = (
    <Button variant="quiet" onClick={live.again}>
      {t("state.again")}
    </Button>
  );
  if (error)
    return (
      <div className="mt-6">
        <ErrorNotice error={error} lost={t("state.notFetched")} actions={again} />
      </div>
    );
  return (
    <section aria-label={t("live.title")} className="mt-6">
      <h2 className="mb-1 text-base font-semibold">{t("live.title")}</h2>
      <p role="status">
        {!looked || !isDone
          ? t("live.looking", { done: looked?.done ?? 0, total: looked?.total ?? 0 })
          : straying === 0
            ? t("live.agree", { count: looked.total, at: format.instant(looked.at) })
            : t("live.some", { agree: looked.total - straying, count: looked.total, at: format.instant(looked.at) })}
      </p>
      {straying > 0 && (
        <>
          <ul className="mt-2 max-h-72 overflow-y-auto border-t border-line" tabIndex={0} aria-label={t("live.which")}>
            {looked?.deviations.map((one, at) => (
              <li key={at} className="border-b border-line py-1.5 break-words">
                <b className="font-semibold">{one.title}</b> · {one.why}
                {one.says && <span dir="auto">: “{one.says}”</span>}
              </li>
            ))}
          </ul>
          <Link to={`/${site}/consistency`} className="act-link mt-2 inline-block">
            {t("live.mend")}
          </Link>
        </>
      )}
    </section>
  );
}
