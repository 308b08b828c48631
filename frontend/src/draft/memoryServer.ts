import type { Facts, PageFields, PageFull, Style } from "../api/client";
import { DEFAULTS } from "../api/facts.gen";
import { ApiProblem } from "../api/problem";
import type { FactKey } from "./changes";
import type { Backend } from "./store";
import type { TitleTable } from "./titles";

export const FACTS: Facts = { ...DEFAULTS, name: "Live", tagline: "Tag", footer_text: "", brand_colour: "#000000" };

export function style(change: Partial<Facts> = {}, revision = 1): Style {
  const facts = { ...FACTS, ...change };
  const changed = (Object.keys(change) as FactKey[]).filter((key) => change[key] !== FACTS[key]);
  const words = { words: {}, live_words: {}, default_words: {}, derived: {} };
  return {
    revision,
    facts,
    live_facts: FACTS,
    changed,
    changed_pages: 0,
    live_number: 1,
    shown_on: "/",
    authors: {},
    ...words,
  };
}

const MAY = { allowed: true, reason: "" };

export const PAGE: PageFull = {
  id: 7,
  path: "/about/",
  title: "About",
  shown_title: "About",
  tab_title: "About – Live",
  body: "",
  kind: "page",
  own_title: "",
  menu_title: "",
  summary: "",
  parent: null,
  in_menu: false,
  order: 0,
  published: null,
  published_at: null,
  left_out: [],
  shows_heading: true,
  state: "live",
  address: "",
  depth: 0,
  above: [],
  steps: { up: false, down: false, into: false, out: false },
  notices: [],
  revision: 1,
  author: null,
  may: {
    edit: MAY,
    move: MAY,
    readdress: MAY,
    duplicate: MAY,
    make_home: MAY,
    make_not_found: MAY,
    delete: MAY,
  },
};

function kept<V extends object>(values: V): V {
  const tidied = Object.entries(values).map(([key, value]: [string, unknown]) => [
    key,
    typeof value === "string" ? value.trim() : value,
  ]);
  return Object.fromEntries(tidied) as V;
}

/** A server in memory that keeps a draft by its revision, as the real one does. */
export function server() {
  let facts: Partial<Facts> = {};
  let page: Partial<PageFields> = {};
  let revision = 1;
  const calls: object[] = [];
  let failing: Error | null = null;
  function write(values: object, on: number, current: () => Style | PageFull) {
    calls.push(values);
    if (failing) throw failing;
    if (on === revision) return;
    const now = current() as unknown as Record<string, never>;
    throw new ApiProblem({ type: "", status: 412, code: "stale_revision", title: "", errors: [], current: now });
  }
  let titles: Record<string, string> = {};
  const row = (id: number) => ({
    ...{ id, path: `/${String(id)}/`, menu_title: "", summary: "", shown_title: "", description: "" },
    ...{
      source: "" as const,
      search_width: 1,
      tab_width: 1,
      faults: [],
      own_title: titles[`${String(id)}.own_title`] ?? "",
    },
    title: titles[`${String(id)}.title`] ?? `Page ${String(id)}`,
  });
  const tableNow = (): TitleTable => ({
    ...{ revision, recent: [1, 2], rows: { 1: row(1), 2: row(2) }, known: {}, faults: [] },
    ...{ lookedOver: 2, isWhole: true },
    cuts: { search: 580, tab: 190, description: 155 },
  });
  const pageNow = (): PageFull => ({ ...PAGE, ...page, revision });
  const backend: Backend = {
    async facts(values, on) {
      write(values, on, () => style(facts, revision));
      facts = { ...facts, ...kept(values) };
      revision += 1;
      return style(facts, revision);
    },
    async page(_, values, on) {
      write(values, on, pageNow);
      page = { ...page, ...kept(values) };
      revision += 1;
      return pageNow();
    },
    async titles(cells, table, on) {
      write(cells, on, () => ({ ...tableNow() }) as never);
      titles = { ...titles, ...(kept(cells) as Record<string, string>) };
      revision += 1;
      return { ...table, ...tableNow() };
    },
  };
  return {
    tableNow,
    calls,
    backend,
    fail: (error: Error | null) => (failing = error),
    other(change: Partial<Facts>) {
      facts = { ...facts, ...change };
      revision += 1;
      return style(facts, revision);
    },
    otherTitle(cell: string, words: string) {
      titles = { ...titles, [cell]: words };
      revision += 1;
    },
    otherPage(change: Partial<PageFields>) {
      page = { ...page, ...change };
      revision += 1;
    },
  };
}
