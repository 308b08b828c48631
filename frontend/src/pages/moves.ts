import type { Page, Schemas } from "../api/client";

/** Beside a page that something is dropped on, or below it in the tree. */
export type Where = Schemas["PageDrop"]["where"];

/** Whether a page may be dropped on another: not on itself or what stands below it, nor below the home page. */
export function mayDrop(page: Page, on: Page, where: Where): boolean {
  if (page.id === on.id || on.above.includes(page.id) || page.kind === "post" || on.kind === "post") return false;
  return where !== "into" || (on.path !== "/" && page.parent !== on.id);
}

/** Whether a page may be put below another. */
export function mayStandBelow(page: Page, parent: Page): boolean {
  return parent.id !== page.id && parent.id !== page.parent && !parent.above.includes(page.id);
}
