import type { ChecklistItem } from "./api";

/** Where a thing is said. */
export function spotOf({ kind, fact, page }: ChecklistItem): string {
  if (fact) return `style#fact-${fact}`;
  if (page !== null) return `pages/${String(page)}`;
  const views: Partial<Record<ChecklistItem["kind"], string>> = {
    one_page: "pages",
    titles: "pages/titles",
    undescribed_pictures: "pictures",
    unpublished: "review",
  };
  return views[kind] ?? "style";
}
