import type { Page } from "../api/client";

/** Where a page would go: the page above it, and its place there. */
export interface Move {
  parent: number | null;
  index: number;
}

export interface Moves {
  up: Move | null;
  down: Move | null;
  into: Move | null;
  out: Move | null;
  /** The pages below which it may be put. */
  parents: Page[];
}

/** The pages of the tree that stand directly below one, in their order; `pages` come in the order of the tree. */
function childrenOf(pages: Page[], parent: number | null): Page[] {
  const here = new Set(pages.map((page) => page.id));
  return pages.filter(
    (page) => page.kind !== "post" && (page.parent && here.has(page.parent) ? page.parent : null) === parent,
  );
}

/** A page with all that stand below it. */
function family(pages: Page[], page: Page): Set<number> {
  const found = new Set([page.id]);
  for (const one of pages) if (one.parent && found.has(one.parent)) found.add(one.id);
  return found;
}

/** Beside a page that something is dropped on, or below it in the tree. */
export type Where = "before" | "after" | "into";

/** Where a page goes that is dropped on another; null where it can't, or where it stands already. */
export function dropped(pages: Page[], page: Page, on: Page, where: Where): Move | null {
  const own = family(pages, page);
  if (own.has(on.id) || page.kind === "post" || on.kind === "post") return null;
  if (where === "into") {
    if (on.path === "/" || page.parent === on.id) return null;
    return { parent: on.id, index: childrenOf(pages, on.id).length };
  }
  const parent = pages.some((one) => one.id === on.parent) ? (on.parent ?? null) : null;
  const siblings = childrenOf(pages, parent).filter((one) => one.id !== page.id);
  const index = siblings.findIndex((one) => one.id === on.id) + (where === "after" ? 1 : 0);
  const before = childrenOf(pages, parent).findIndex((one) => one.id === page.id);
  return before === index ? null : { parent, index };
}

/** Where a page stands now, to put it back there. */
export function placeOf(pages: Page[], page: Page): Move {
  const parent = pages.some((one) => one.id === page.parent) ? (page.parent ?? null) : null;
  return { parent, index: childrenOf(pages, parent).findIndex((one) => one.id === page.id) };
}

/** The ways in which a page can be moved by one step, and the pages below which it can be put at once. */
export function moves(pages: Page[], page: Page): Moves {
  const parent = pages.some((one) => one.id === page.parent) ? (page.parent ?? null) : null;
  const siblings = childrenOf(pages, parent);
  const at = siblings.findIndex((one) => one.id === page.id);
  const before = siblings[at - 1];
  const above = pages.find((one) => one.id === parent);
  const own = family(pages, page);
  const grand = above ? (pages.some((one) => one.id === above.parent) ? (above.parent ?? null) : null) : null;
  return {
    up: at > 0 ? { parent, index: at - 1 } : null,
    down: at < siblings.length - 1 ? { parent, index: at + 1 } : null,
    into: before && before.path !== "/" ? { parent: before.id, index: childrenOf(pages, before.id).length } : null,
    out: above ? { parent: grand, index: childrenOf(pages, grand).findIndex((one) => one.id === above.id) + 1 } : null,
    parents: pages.filter((one) => one.kind === "page" && one.path !== "/" && !own.has(one.id) && one.id !== parent),
  };
}
