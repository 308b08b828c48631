import { Link } from "react-router";
import { useSelect, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useSettled } from "../ui/useSettled";
import { useChecklist } from "./api";

/** How many things are still to be said; nothing where none are. */
export function ChecklistLink() {
  const { t } = useTranslation();
  const site = useSite();
  const revision = useSettled(
    useSelect(({ facts }) => facts.state.meta.revision),
    1_500,
  );
  const count = useChecklist(site.slug, revision).data?.items.length ?? 0;
  if (count === 0) return null;
  return (
    <Link to={`/${site.slug}/to-say`} className="act-link">
      {t("checklist.link", { count })}
    </Link>
  );
}
