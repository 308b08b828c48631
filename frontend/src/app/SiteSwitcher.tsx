import { Check, ChevronDown, ExternalLink, List, Plus, SlidersHorizontal, Tag } from "lucide-react";
import { DropdownMenu as Menu } from "radix-ui";
import { useState } from "react";
import { useLocation, useNavigate } from "react-router";
import type { Site } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { LabelDialog } from "../sites";

const ITEM = "flex cursor-pointer items-center gap-3 rounded-md px-3 py-2 outline-none data-[highlighted]:bg-board";

/** A site by its icon, its name or private label, and its address. */
function SiteLine({ site, strong = false }: { site: Site; strong?: boolean }) {
  return (
    <span className="flex min-w-0 items-center gap-2.5 text-start">
      <img src={site.icon_url} alt="" width={30} height={30} className="flex-none rounded-md" />
      <span className="grid min-w-0">
        <b
          dir="auto"
          className={`truncate font-display leading-tight ${strong ? "text-[15px] font-semibold" : "font-medium"}`}
        >
          {site.name}
        </b>
        <span className="truncate font-code text-[11px] text-soft">
          {site.label && <span className="me-1.5 font-body font-semibold text-ink">{site.label}</span>}
          {site.host}
        </span>
      </span>
    </span>
  );
}

interface Props {
  site: Site;
  sites: Site[];
  mayMakeSites: boolean;
}

export function SiteSwitcher({ site, sites, mayMakeSites }: Props) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  // The same view of the other site, at the same spot of its sheet; what is open within other views is of this site.
  const { pathname, hash } = useLocation();
  const view = `${pathname.split("/")[2] ?? "style"}${hash}`;
  const [labelling, setLabelling] = useState(false);
  return (
    <>
      <Menu.Root modal={false}>
        <Menu.Trigger className="flex min-w-0 items-center gap-2 rounded-lg py-1 pe-2 hover:bg-board max-sm:flex-1 max-sm:basis-0 sm:max-w-80">
          <span className="unseen">{t("switcher.open")}</span>
          <SiteLine site={site} strong />
          <span className="unseen">{t("switcher.choose")}</span>
          <ChevronDown size={16} aria-hidden className="flex-none" />
        </Menu.Trigger>
        <Menu.Content
          align="start"
          sideOffset={6}
          className="z-40 max-h-[80vh] w-80 max-w-[94vw] overflow-auto rounded-lg border border-line bg-paper p-1.5 shadow-xl"
        >
          <Menu.Label className="px-3 py-1.5 text-xs font-semibold text-soft">{t("switcher.sites")}</Menu.Label>
          {sites.map((one) => (
            <Menu.Item key={one.slug} className={ITEM} onSelect={() => void navigate(`/${one.slug}/${view}`)}>
              <SiteLine site={one} />
              {one.slug === site.slug && (
                <Check size={16} className="ms-auto flex-none text-act" aria-label={t("switcher.isOpen")} />
              )}
            </Menu.Item>
          ))}
          <Menu.Separator className="my-1.5 h-px bg-line" />
          {sites.length > 1 && (
            <Menu.Item className={ITEM} onSelect={() => void navigate("/all-sites")}>
              <List size={16} aria-hidden /> {t("switcher.all")}
            </Menu.Item>
          )}
          <Menu.Item asChild className={ITEM}>
            <a href={site.address} target="_blank" rel="noreferrer">
              <ExternalLink size={16} aria-hidden /> {t("switcher.live")}
            </a>
          </Menu.Item>
          <Menu.Item className={ITEM} onSelect={() => void navigate(`/${site.slug}/whole-site`)}>
            <SlidersHorizontal size={16} aria-hidden /> {t("view.whole-site")}
          </Menu.Item>
          {site.may.manage.allowed && (
            <Menu.Item className={ITEM} onSelect={() => setLabelling(true)}>
              <Tag size={16} aria-hidden /> {t("switcher.label")}
            </Menu.Item>
          )}
          {mayMakeSites && (
            <Menu.Item className={ITEM} onSelect={() => void navigate("/new-site")}>
              <Plus size={16} aria-hidden /> {t("switcher.another")}
            </Menu.Item>
          )}
        </Menu.Content>
      </Menu.Root>
      {labelling && <LabelDialog site={site} onClose={() => setLabelling(false)} />}
    </>
  );
}
