import { Link } from "react-router";
import { spotOf, useChecklistItems } from "../checklist";
import { useTranslation } from "../i18n/useTranslation";
import { Part } from "../ui/Part";

/** What is missing or still says what it said at the start; each leads to where it is said. */
export function StillUnsaid({ site }: { site: string }) {
  const { t } = useTranslation();
  // That it was never published is what this view is about.
  const items = useChecklistItems().filter(({ kind }) => kind !== "unpublished");
  if (items.length === 0) return null;
  return (
    <Part id="unsaid" title={t("review.unsaid")} className="mt-6 grid gap-1">
      <ul>
        {items.map((item) => (
          <li key={item.kind}>
            <Link to={`/${site}/${spotOf(item)}`} className="act-link">
              {t(`checklist.kind.${item.kind}`, { count: item.count })}
            </Link>
          </li>
        ))}
      </ul>
    </Part>
  );
}
