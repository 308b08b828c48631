import { useId, useState } from "react";
import type { Page } from "../api/client";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useSettled } from "../ui/useSettled";
import { usePageChoices } from "./api";

interface Props {
  label: string;
  /** Whether the label is only read out. */
  hideLabel?: boolean;
  /** What is chosen: the key of a choice beside the pages, or whatever `keyOf` says of a page. */
  value: string;
  keyOf: (page: Page) => string;
  /** What else can be chosen, before all pages: key and words. */
  others?: readonly (readonly [string, string])[];
  only?: "parents" | "all";
  /** Leaves out pages that won't do. */
  fits?: (page: Page) => boolean;
  wordsOf?: (page: Page) => string;
  onChoose: (key: string, page: Page | undefined) => void;
  className?: string;
}

const LOOKS = "min-w-0 truncate rounded-sm border border-soft bg-paper px-1.5 py-1 text-ink";

/** One of the site's pages. Where those are many, they are searched. */
export function PageSelect({
  label,
  hideLabel,
  value,
  keyOf,
  others = [],
  only = "all",
  fits = () => true,
  wordsOf = (page) => page.shown_title,
  onChoose,
  className = LOOKS,
}: Props) {
  const { t } = useTranslation();
  const id = useId();
  const site = useSite().slug;
  const [sought, setSought] = useState("");
  const all = usePageChoices(site, "", only).data;
  const found = usePageChoices(site, useSettled(sought.trim(), 200), only).data;
  const isLong = all !== undefined && all.count > all.rows.length;
  const pages = (found?.rows ?? []).filter(fits);
  const isListed = others.some(([key]) => key === value) || pages.some((page) => keyOf(page) === value);
  return (
    <span className="flex min-w-0 flex-wrap items-center gap-2">
      <label htmlFor={id} className={hideLabel ? "unseen" : "flex-none"}>
        {label}
      </label>
      {isLong && (
        <input
          type="search"
          aria-label={`${label}: ${t("pages.find")}`}
          placeholder={t("pages.find")}
          value={sought}
          className="w-44 min-w-0 rounded-sm border border-soft bg-paper px-1.5 py-1 text-ink"
          onChange={(event) => setSought(event.target.value)}
        />
      )}
      <select
        id={id}
        value={value}
        className={className}
        onChange={(event) => {
          const key = event.target.value;
          onChoose(
            key,
            pages.find((page) => keyOf(page) === key),
          );
        }}
      >
        {/* What is chosen stays so while other pages are looked for. */}
        {!isListed && <option value={value}>{value}</option>}
        {others.map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
        {pages.map((page) => (
          <option key={page.id} value={keyOf(page)}>
            {wordsOf(page)}
          </option>
        ))}
      </select>
      {found && isLong && (
        <span role="status" className="text-xs text-soft">
          {t("pages.choices", { count: found.count, shown: pages.length })}
        </span>
      )}
    </span>
  );
}
