import { Link } from "react-router";
import { useSelect, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useSettled } from "../ui/useSettled";
import { useUnsaid } from "./api";

/** How many things are still to be said; nothing where none are. */
export function ToSayLink() {
  const { t } = useTranslation();
  const site = useSite();
  const revision = useSettled(
    useSelect(({ facts }) => facts.state.meta.revision),
    1_500,
  );
  const count = useUnsaid(site.slug, revision).data?.length ?? 0;
  if (count === 0) return null;
  return (
    <Link to={`/${site.slug}/to-say`} className="act-link">
      {t("unsaid.link", { count })}
    </Link>
  );
}
