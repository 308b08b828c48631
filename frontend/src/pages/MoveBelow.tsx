import type { Page } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { mayStandBelow } from "./moves";
import { PageSelect } from "./PageSelect";

interface Props {
  pages: readonly Page[];
  /** The page that they are to stand below; none for the top. */
  onChoose: (parent: number | null) => void;
}

/** Where in the tree pages are put: at the top, or below another page. */
export function MoveBelow({ pages, onChoose }: Props) {
  const { t } = useTranslation();
  return (
    <PageSelect
      label={t("pageActions.moveTo")}
      hideLabel
      value=""
      keyOf={(one) => String(one.id)}
      others={[
        ["", t("pageActions.moveTo")],
        ["top", t("addPage.top")],
      ]}
      only="parents"
      fits={(one) => pages.every((page) => mayStandBelow(page, one))}
      wordsOf={(one) => t("addPage.below", { title: one.shown_title })}
      onChoose={(key) => key && onChoose(key === "top" ? null : Number(key))}
      className="min-h-9 max-w-48 rounded-sm border border-soft bg-paper px-1.5 py-1"
    />
  );
}
