import type { Aside } from "./store";

/**
 * What the server does not have, laid aside in this browser. Each tab has a place of its own, so that none writes over
 * what another keeps; a tab that is gone leaves its place to the next that opens.
 */
const PREFIX = "hestor.unsaved";
const TAB = "hestor.tab";

function lockOf(tab: string): string {
  return `${TAB}.${tab}`;
}

/** Holds the name of this tab for as long as it is open; false where another tab has it. */
function hold(tab: string): Promise<boolean> {
  return new Promise((resolve) => {
    void navigator.locks.request(lockOf(tab), { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock ? new Promise<never>(() => undefined) : undefined;
    });
  });
}

let own: Promise<string> | undefined;

async function named(): Promise<string> {
  const known = sessionStorage.getItem(TAB) ?? crypto.randomUUID();
  // A tab that was duplicated has the name of the other one.
  const tab = (await hold(known)) ? known : crypto.randomUUID();
  if (tab !== known) await hold(tab);
  sessionStorage.setItem(TAB, tab);
  return tab;
}

/** The name of this tab, the same after a reload. */
export function thisTab(): Promise<string> {
  if (!("locks" in navigator)) return Promise.resolve("only");
  return (own ??= named());
}

async function openTabs(): Promise<Set<string>> {
  if (!("locks" in navigator)) return new Set();
  const { held = [] } = await navigator.locks.query();
  return new Set(held.map((lock) => lock.name ?? ""));
}

function read(key: string): Aside {
  try {
    return JSON.parse(localStorage.getItem(key) ?? "{}") as Aside;
  } catch {
    // Whatever it was, it can't be read.
    return {};
  }
}

/** What this tab, and tabs that are gone, laid aside for a site; it is theirs no more. */
export async function takenUp(site: string): Promise<Aside> {
  const tab = await thisTab();
  const open = await openTabs();
  const start = `${PREFIX}.${site}.`;
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(start));
  const free = keys.filter((key) => key === start + tab || !open.has(lockOf(key.slice(start.length))));
  const found = free.map(read);
  for (const key of free) localStorage.removeItem(key);
  return Object.assign({}, ...found) as Aside;
}

/** Lays aside what a tab holds of a site; nothing is kept of nothing. */
export function layAside(site: string, tab: string, aside: Aside): void {
  const key = `${PREFIX}.${site}.${tab}`;
  try {
    if (Object.keys(aside).length) localStorage.setItem(key, JSON.stringify(aside));
    else localStorage.removeItem(key);
  } catch {
    // The browser has no room; what is typed stays where it is for as long as the page is open.
  }
}
