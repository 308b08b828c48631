import { describe, expect, it } from "vitest";
import type { Proof } from "../api/client";
import { isFile, pieces, showsFact } from "./model";

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
