import type { FallbackProps } from "react-error-boundary";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";

/** A view that could not be drawn: what was typed is kept, and there is a way on. */
export function ViewFailed({ resetErrorBoundary }: FallbackProps) {
  const { t } = useTranslation();
  return (
    <div role="alert" className="max-w-2xl p-6">
      <h1 className="text-[22px] font-[650] tracking-tight">{t("failed.title")}</h1>
      <p className="mt-1 mb-5 text-soft">{t("failed.text")}</p>
      <p className="flex flex-wrap items-center gap-4">
        <Button onClick={resetErrorBoundary}>{t("failed.again")}</Button>
        <Button variant="quiet" onClick={() => location.reload()}>
          {t("failed.reload")}
        </Button>
        <a href="/" className="act-link">
          {t("nowhere.go")}
        </a>
      </p>
    </div>
  );
}
