import { describe, expect, it } from "vitest";
import type { Page } from "../api/client";
import { mayDrop, mayStandBelow } from "./moves";

const page = (id: number, above: number[] = [], more: Partial<Page> = {}): Page =>
  ({ id, above, parent: above.at(-1) ?? null, path: `/${String(id)}/`, kind: "page", ...more }) as Page;

describe("moving pages", () => {
  it("drops a page on others, but not on itself or on what stands below it", () => {
    expect(mayDrop(page(2), page(3), "before")).toBe(true);
    expect(mayDrop(page(2), page(2), "after")).toBe(false);
    expect(mayDrop(page(2), page(5, [2, 4]), "after")).toBe(false);
    expect(mayDrop(page(5, [2, 4]), page(2), "before")).toBe(true);
  });

  it("drops nothing below the home page, nor where it stands already", () => {
    expect(mayDrop(page(2), page(1, [], { path: "/" }), "into")).toBe(false);
    expect(mayDrop(page(2), page(1, [], { path: "/" }), "after")).toBe(true);
    expect(mayDrop(page(4, [2]), page(2), "into")).toBe(false);
    expect(mayDrop(page(4, [2]), page(3), "into")).toBe(true);
  });

  it("leaves posts alone, which stand by their day", () => {
    const post = page(9, [], { kind: "post" });
    expect(mayDrop(post, page(2), "before")).toBe(false);
    expect(mayDrop(page(2), post, "before")).toBe(false);
  });

  it("proposes pages to stand below that are not below it themselves", () => {
    const moved = page(4, [2]);
    expect([page(2), page(3), page(4), page(7, [2, 4])].filter((one) => mayStandBelow(moved, one))).toEqual([page(3)]);
  });
});
