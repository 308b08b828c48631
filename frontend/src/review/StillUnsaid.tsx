import { Check } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { spotOf, useChecklistItems, type ChecklistItem } from "../checklist";
import { ROW_OF } from "../draft/facts";
import { FactRow } from "../house-style";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Part } from "../ui/Part";

/** All items that were there since the view was opened, each in the place where it came: what is said moves nothing. */
function useListed(items: ChecklistItem[]): ChecklistItem[] {
  const [listed, setListed] = useState<ChecklistItem[]>([]);
  const come = items.filter(({ kind }) => !listed.some((one) => one.kind === kind));
  if (come.length > 0) setListed([...listed, ...come]);
  return listed.map((one) => items.find(({ kind }) => kind === one.kind) ?? one);
}

interface ItemProps {
  site: string;
  item: ChecklistItem;
  isSaid: boolean;
  isOpen: boolean;
  onToggle: () => void;
  readOnly: boolean;
}

/** One thing to say: a fact opens in its place, all else leads to where it is said. */
function Item({ site, item, isSaid, isOpen, onToggle, readOnly }: ItemProps) {
  const { t } = useTranslation();
  const label = t(`checklist.kind.${item.kind}`, { count: item.count });
  const row = ROW_OF.get(item.fact);
  if (!row)
    return (
      <Link to={`/${site}/${spotOf(item)}`} className="act-link">
        {label}
      </Link>
    );
  return (
    <>
      <ActionLink expanded={isOpen} onClick={onToggle}>
        {label}
      </ActionLink>
      {isSaid && (
        <span className="inline-flex items-center gap-1 text-soft">
          <Check size={14} aria-hidden /> {t("review.said")}
        </span>
      )}
      {isOpen && (
        <div className="-mx-6 mt-1 border-t border-line">
          <FactRow row={row} readOnly={readOnly} />
        </div>
      )}
    </>
  );
}

/** What is missing or still says what it said at the start; facts are said right here, for the same edition. */
export function StillUnsaid({ site, readOnly }: { site: string; readOnly: boolean }) {
  const { t } = useTranslation();
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  // That it was never published is what this view is about.
  const items = useChecklistItems().filter(({ kind }) => kind !== "unpublished");
  const isThere = (item: ChecklistItem) => items.some(({ kind }) => kind === item.kind);
  const shown = useListed(items).filter((item) => isThere(item) || opened.has(item.kind));
  if (shown.length === 0) return null;
  function toggle(kind: string) {
    const next = new Set(opened);
    if (!next.delete(kind)) next.add(kind);
    setOpened(next);
  }
  return (
    <Part id="unsaid" title={t("review.unsaid")} className="mt-6 grid gap-1">
      <ul className="grid gap-1">
        {shown.map((item) => (
          <li key={item.kind}>
            <Item
              site={site}
              item={item}
              isSaid={!isThere(item)}
              isOpen={opened.has(item.kind)}
              onToggle={() => toggle(item.kind)}
              readOnly={readOnly}
            />
          </li>
        ))}
      </ul>
    </Part>
  );
}
