import { Link } from "react-router";
import { useSelect, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useSettled } from "../ui/useSettled";
import { useChecklist, type ChecklistItem } from "./api";

const NONE: ChecklistItem[] = [];

/** What is still to be said, found anew when the draft has rested. */
export function useChecklistItems(): ChecklistItem[] {
  const site = useSite();
  const revision = useSettled(
    useSelect(({ facts }) => facts.state.meta.revision),
    1_500,
  );
  return useChecklist(site.slug, revision).data?.items ?? NONE;
}

/** How many things are still to be said; nothing where none are. */
export function ChecklistLink() {
  const { t } = useTranslation();
  const site = useSite();
  const count = useChecklistItems().length;
  if (count === 0) return null;
  return (
    <Link to={`/${site.slug}/to-say`} className="act-link">
      {t("checklist.link", { count })}
    </Link>
  );
}
