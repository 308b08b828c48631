import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import type { Page, Session, Site } from "../api/client";
import { useSignOut } from "../accounts";
import { countChanges } from "../draft/changes";
import { PARTS, ROWS, specOf } from "../draft/facts";
import { useSelect, useStore } from "../draft/hooks";
import { focusField } from "../draft/useUndoKeys";
import { useEditions } from "../editions";
import { useFormat } from "../i18n/format";
import { spoken } from "../i18n/i18n";
import { useTranslation } from "../i18n/useTranslation";
import { holdKeys } from "../ui/holdKeys";
import { useSettled } from "../ui/useSettled";
import { useFoundInTexts, usePageChoices } from "../pages";
import { usePictures } from "../pictures";
import type { Entry } from "./entries";
import { fetchWords, foundWords, SITE_VIEWS, SPOTS } from "./foundWords";

const KEYS = ROWS.flatMap((row) => row.keys);

type Person = NonNullable<Session["account"]>;

/** What can be done and gone to from anywhere: the sites, the account, signing out. */
export function useCommonEntries(person: Person, sites: Site[], open?: Site): Entry[] {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const signOut = useSignOut();
  const action = (key: string, go: () => void): Entry => ({
    key: `action ${key}`,
    kind: "action",
    title: t(`finder.action.${key}`),
    more: "",
    words: foundWords(`action ${key}`),
    go,
  });
  return [
    ...(person.may_make_sites ? [action("newSite", () => void navigate("/new-site"))] : []),
    ...(sites.length > 1 ? [action("allSites", () => void navigate("/all-sites"))] : []),
    action("account", () => void navigate("/your-account")),
    ...(person.keeps_installation ? [action("wellBeing", () => void navigate("/well-being"))] : []),
    action("signOut", () => signOut.mutate(undefined)),
    ...sites
      .filter((site) => site.slug !== open?.slug)
      .map((site): Entry => ({
        key: `site ${site.slug}`,
        kind: "site",
        title: site.label || site.name,
        more: site.host,
        words: [site.name],
        go: () => void navigate(`/${site.slug}/style`),
      })),
  ];
}

function useActions(site: Site, onShortcuts: () => void): Entry[] {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const store = useStore();
  const { count, canUndo, canRedo } = useSelect(({ facts, canUndo, canRedo }) => ({
    count: countChanges(facts),
    canUndo,
    canRedo,
  }));
  const edits = site.may.edit.allowed;
  const found: [string, boolean, () => void, string?][] = [
    ["review", edits && count > 0, () => void store.flush().then(() => navigate(`/${site.slug}/review`))],
    ["undo", edits && canUndo, () => focusField(store.undo()), "Ctrl Z"],
    ["redo", edits && canRedo, () => focusField(store.redo()), "Ctrl Shift Z"],
    ["visit", true, () => void open(site.address, "_blank", "noreferrer"), site.host],
    ["shortcuts", true, onShortcuts, "?"],
  ];
  const views = SITE_VIEWS.map((view): Entry => ({
    key: `view ${view}`,
    kind: "view",
    title: t(`view.${view}`),
    more: "",
    words: foundWords(`view ${view}`),
    go: () => void navigate(`/${site.slug}/${view}`),
  }));
  const spots = SPOTS.map((spot): Entry => ({
    key: `part ${spot}`,
    kind: "view",
    title: t("siteAddress.title"),
    more: site.host,
    words: foundWords(`part ${spot}`),
    go: () => void navigate(`/${site.slug}/style#${spot}`),
  }));
  const actions = found
    .filter(([, on]) => on)
    .map(([key, , go, more]): Entry => ({
      key,
      kind: "action",
      title: t(`finder.action.${key}`),
      more: more ?? "",
      words: foundWords(`action ${key}`),
      go,
    }));
  return [...views, ...actions, ...spots];
}

function useFactEntries(site: Site): Entry[] {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const values = useSelect(({ facts }) => Object.fromEntries(KEYS.map((key) => [key, facts.value(key)])));
  const said = useSelect(({ facts }) => facts.state.meta.words);
  return PARTS.flatMap((part) =>
    part.rows.flatMap((row) =>
      row.keys.map((key): Entry => {
        const value: unknown = values[key];
        const typed = typeof value === "string" ? value : "";
        return {
          key: `fact ${key}`,
          kind: "fact",
          title: t(`factName.${key}`),
          // What was typed may not be saved yet; what was chosen is told in words.
          more: specOf(key)?.editor === "line" ? typed : (said[key] ?? typed),
          where: t(`band.${part.id}.title`),
          words: [t(`band.${part.id}.title`), t(`factName.${row.key}`), ...foundWords(`fact ${key}`)],
          go: () => {
            const spot = `fact-${row.key}`;
            holdKeys(() => document.getElementById(spot)?.closest("[role=group]") ?? null);
            void navigate(`/${site.slug}/style#${spot}`);
          },
        };
      }),
    ),
  );
}

function useEditionEntries(site: Site): Entry[] {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const format = useFormat();
  const known = useEditions(site.slug).data?.pages.flatMap((part) => part.editions) ?? [];
  const newest = known[0]?.number ?? 0;
  return Array.from({ length: newest }, (_, index): Entry => {
    const number = newest - index;
    const edition = known.find((one) => one.number === number);
    return {
      key: `edition ${String(number)}`,
      kind: "edition",
      title: t("editions.number", { number }),
      more: edition ? format.instant(edition.published) : "",
      words: edition?.changes.map((change) => change.words) ?? [],
      go: () => void navigate(`/${site.slug}/editions?edition=${String(number)}`),
    };
  });
}

interface FoundPages {
  pages: Page[];
  /** Those that say in their text what is typed, and what that is. */
  saying: ReadonlySet<number>;
  sought: string;
}

/** The pages of a site; of many only the first, and those that have the words that are typed, in their texts too. */
function useFoundPages(site: string, typed: string): FoundPages {
  const first = usePageChoices(site).data;
  const sought = useSettled(typed.trim(), 150);
  const further = useFoundInTexts(site, sought).data;
  const found = sought.length > 1 ? (further?.rows ?? []) : [];
  const pages = [...new Map([...(first?.rows ?? []), ...found].map((page) => [page.id, page])).values()];
  return { pages, saying: new Set(found.map((page) => page.id)), sought };
}

/** Fetches what people call things, in the desk's language, once something is sought. */
function useFoundWords(): void {
  const { i18n } = useTranslation();
  const [, setFetched] = useState("");
  useEffect(() => {
    const language = spoken(i18n.language);
    void fetchWords(language).then(() => setFetched(language));
  }, [i18n.language]);
}

/** Everything of a site that can be found. What was not read yet is fetched, and comes when it is there. */
export function useSiteEntries(
  person: Person,
  sites: Site[],
  site: Site,
  typed: string,
  onShortcuts: () => void,
): Entry[] {
  const navigate = useNavigate();
  useFoundWords();
  const { pages, saying, sought } = useFoundPages(site.slug, typed);
  const pictures = usePictures(site.slug).data?.pictures ?? [];
  return [
    ...useActions(site, onShortcuts),
    ...useFactEntries(site),
    ...pages.map((page): Entry => ({
      key: `page ${String(page.id)}`,
      kind: "page",
      title: page.shown_title,
      more: page.path,
      words: [page.menu_title, page.tab_title],
      ...(saying.has(page.id) ? { text: sought } : {}),
      go: () => void navigate(`/${site.slug}/pages/${String(page.id)}`),
    })),
    ...pictures.map((picture): Entry => ({
      key: `picture ${String(picture.id)}`,
      kind: "picture",
      title: picture.title || picture.name,
      more: picture.description,
      words: [picture.name],
      go: () => void navigate(`/${site.slug}/pictures?picture=${String(picture.id)}`),
    })),
    ...useEditionEntries(site),
    ...useCommonEntries(person, sites, site),
  ];
}
