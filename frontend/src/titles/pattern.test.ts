import { describe, expect, it } from "vitest";
import { joined, moved, pieces, removed } from "./pattern";

const at = (pattern: string, name: string) =>
  pieces(pattern).findIndex((part) => part.kind === "fill" && part.name === name);

describe("a pattern in parts", () => {
  it.each(["{page} – {site}", "★ {page}!", "{page}{site}", "", "no fill-in", "{page} – {unknown}", "{open"])(
    "%s is put together as it was",
    (pattern) => expect(joined(pieces(pattern))).toBe(pattern),
  );

  it("has room for words on both sides of each fill-in", () => {
    expect(pieces("{page}{site}").map((part) => part.kind)).toEqual(["text", "fill", "text", "fill", "text"]);
  });

  it("moves a fill-in, and leaves the words where they are", () => {
    const parts = pieces("{page} – {site}");
    expect(joined(moved(parts, at("{page} – {site}", "page"), 1))).toBe("{site} – {page}");
    expect(joined(moved(parts, at("{page} – {site}", "page"), -1))).toBe("{page} – {site}");
  });

  it("takes a fill-in out with what parts it", () => {
    const pattern = "{page} – {section} | {site}";
    expect(joined(removed(pieces(pattern), at(pattern, "section")))).toBe("{page} | {site}");
    expect(joined(removed(pieces(pattern), at(pattern, "page")))).toBe("{section} | {site}");
    expect(joined(removed(pieces(pattern), at(pattern, "site")))).toBe("{page} – {section}");
  });
});
