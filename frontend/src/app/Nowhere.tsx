import { Link } from "react-router";
import { useTranslation } from "../i18n/useTranslation";

/** An address of the desk that leads nowhere, or to a site that the person may not see. */
export function Nowhere() {
  const { t } = useTranslation();
  return (
    <main className="mx-auto max-w-xl p-10">
      <h1 className="text-2xl font-semibold">{t("nowhere.title")}</h1>
      <p className="my-3 text-soft">{t("nowhere.text")}</p>
      <Link to="/" className="act-link">
        {t("nowhere.go")}
      </Link>
    </main>
  );
}
