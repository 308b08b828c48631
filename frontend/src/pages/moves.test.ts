import { describe, expect, it } from "vitest";
import type { Page } from "../api/client";
import { dropped, moves, placeOf } from "./moves";

function page(id: number, parent: number | null, path = `/${String(id)}/`, kind = "page"): Page {
  return { id, parent, path, kind } as Page;
}

const PAGES = [
  page(1, null, "/"),
  page(2, null),
  page(3, 2),
  page(4, 2),
  page(5, null),
  page(9, null, "/n/x/", "post"),
];
const of = (id: number) => moves(PAGES, PAGES.find((one) => one.id === id) as Page);

describe("where a page can go", () => {
  it("goes up and down among its siblings", () => {
    expect(of(2).up).toEqual({ parent: null, index: 0 });
    expect(of(2).down).toEqual({ parent: null, index: 2 });
    expect(of(1).up).toBeNull();
    expect(of(5).down).toBeNull();
    expect(of(4).up).toEqual({ parent: 2, index: 0 });
  });
  it("goes below the one before it, but never below the home page", () => {
    expect(of(5).into).toEqual({ parent: 2, index: 2 });
    expect(of(2).into).toBeNull();
    expect(of(4).into).toEqual({ parent: 3, index: 0 });
  });
  it("goes out to stand after the one above it", () => {
    expect(of(3).out).toEqual({ parent: null, index: 2 });
    expect(of(2).out).toBeNull();
  });
  it("can be put below any page but itself, its own and the one it is below already", () => {
    expect(of(2).parents.map((one) => one.id)).toEqual([5]);
    expect(of(3).parents.map((one) => one.id)).toEqual([4, 5]);
  });
});

describe("where a page goes that is dropped", () => {
  const one = (id: number) => PAGES.find((page) => page.id === id) as Page;
  it.each([
    [5, 2, "before", { parent: null, index: 1 }],
    [5, 1, "before", { parent: null, index: 0 }],
    [5, 2, "into", { parent: 2, index: 2 }],
    [3, 4, "after", { parent: 2, index: 1 }],
    [3, 5, "after", { parent: null, index: 3 }],
    [3, 4, "before", null],
    [3, 2, "into", null],
    [2, 3, "into", null],
    [5, 1, "into", null],
    [5, 9, "after", null],
  ] as const)("%i on %i, %s", (moved, on, where, to) => {
    expect(dropped(PAGES, one(moved), one(on), where)).toEqual(to);
  });

  it("is known for each page as it stands", () => {
    expect(placeOf(PAGES, one(4))).toEqual({ parent: 2, index: 1 });
    expect(placeOf(PAGES, one(1))).toEqual({ parent: null, index: 0 });
  });
});
