import type { Page } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { Select } from "../ui/Select";

interface Props {
  pages: Page[];
  path: string;
  onChoose: (path: string) => void;
}

/** The page that the proofs are read from. */
export function PageChoice({ pages, path, onChoose }: Props) {
  const { t } = useTranslation();
  const options = pages.map((page) => [page.path, page.shown_title] as const);
  return <Select label={t("sheet.onPage")} value={path} onChoose={onChoose} options={options} />;
}
