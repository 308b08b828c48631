import { useEffect } from "react";
import { NavLink } from "react-router";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";

/** What can be fetched before it is asked for. */
export interface Preloaded {
  preload: () => Promise<void>;
}

/** The two ways to look at all pages: as a tree, and as a table of their titles. */
export function PagesTabs({ other }: { other: Preloaded }) {
  const { t } = useTranslation();
  const site = useSite();
  // Whoever looks at the one is likely to look at the other, which then stands there at once.
  useEffect(() => void other.preload(), [other]);
  return (
    <nav aria-label={t("pages.ways")} className="flex gap-1 px-6 pb-3">
      {(["pages", "titles"] as const).map((way) => (
        <NavLink
          key={way}
          to={way === "pages" ? `/${site.slug}/pages` : `/${site.slug}/pages/titles`}
          end
          className="rounded-full border border-line px-3 py-1.5 text-soft hover:text-ink aria-[current=page]:border-act aria-[current=page]:bg-act-soft aria-[current=page]:text-ink"
        >
          {t(`pages.way.${way}`)}
        </NavLink>
      ))}
    </nav>
  );
}
