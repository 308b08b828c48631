import { useId } from "react";
import { useTranslation } from "react-i18next";
import type { Page } from "../api/client";

interface Props {
  pages: Page[];
  path: string;
  onChoose: (path: string) => void;
}

/** The page that the proofs are read from. */
export function PageChoice({ pages, path, onChoose }: Props) {
  const { t } = useTranslation();
  const id = useId();
  return (
    <span className="flex min-w-0 items-center gap-2">
      <label htmlFor={id} className="flex-none">
        {t("sheet.onPage")}
      </label>
      <select
        id={id}
        value={path}
        onChange={(event) => onChoose(event.target.value)}
        className="max-w-44 min-w-0 truncate rounded-sm border border-soft bg-paper px-1.5 py-1 text-ink"
      >
        {pages.map((page) => (
          <option key={page.id} value={page.path}>
            {page.shown_title}
          </option>
        ))}
      </select>
    </span>
  );
}
