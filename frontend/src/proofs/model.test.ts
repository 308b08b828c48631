import { describe, expect, it } from "vitest";
import type { Proof } from "../api/client";
import { differsAt, isFile, pieces, showsFact } from "./model";

describe("pieces", () => {
  it("counts code points, so that emoji shift nothing", () => {
    const line = { role: "title", text: "👩‍🌾 days – Seeds 🌱", highlights: [{ fact: "name", start: 11, end: 16 }] };
    expect(pieces(line, "name")).toEqual([
      { text: "👩‍🌾 days – ", lit: false },
      { text: "Seeds", lit: true },
      { text: " 🌱", lit: false },
    ]);
  });

  it("sets apart only the fact that is asked for", () => {
    const line = { role: "title", text: "AB", highlights: [{ fact: "tagline", start: 0, end: 1 }] };
    expect(pieces(line, "name")).toEqual([{ text: "AB", lit: false }]);
  });
});

const proof = (place: Proof["place"]): Proof => ({
  place,
  path: "/",
  colour: "",
  pictures: [],
  plates: "",
  arrangement: "",
  is_sample: false,
  read_on: "",
  lines: [{ role: "name", text: "A", highlights: [{ fact: "name", start: 0, end: 1 }] }],
});

it("knows that a home screen shows the short name alone", () => {
  expect(showsFact(proof("tab"), "name")).toBe(true);
  expect(showsFact(proof("manifest"), "name")).toBe(false);
});

it("knows which places belong to no page", () => {
  expect([isFile("feed"), isFile("not_found"), isFile("tab")]).toEqual([true, true, false]);
});

describe("differsAt", () => {
  const title = (text: string, start: number): Proof => ({
    ...proof("search"),
    lines: [{ role: "title", text, highlights: [{ fact: "tagline", start, end: text.length }] }],
  });

  it("counts from the line's beginning to where the two values part", () => {
    const [before, after] = ["Borrow in spring", "Borrow a packet"];
    expect(differsAt(title("Seeds – Borrow a packet", 8), "tagline", before, after)).toBe(15);
    expect(differsAt(title("Borrow a packet", 0), "tagline", before, after)).toBe(7);
  });

  it("takes the soonest of several lines, and knows what is not shown", () => {
    const both = { ...title("Seeds – B", 8), lines: [...title("Seeds – B", 8).lines, ...title("B", 0).lines] };
    expect(differsAt(both, "tagline", "A", "B")).toBe(0);
    expect(differsAt(title("Seeds", 0), "name", "A", "B")).toBe(Infinity);
    expect(differsAt(undefined, "tagline", "A", "B")).toBe(Infinity);
  });

  it("counts to the end of a value that only goes on", () => {
    expect(differsAt(title("Borrow it", 0), "tagline", "Borrow", "Borrow it")).toBe(6);
  });
});
