import { expect, it } from "vitest";
import type { Picture } from "./api";
import { arranged } from "./model";

const picture = (name: string, more: Partial<Picture> = {}) =>
  ({ name, description: "", title: "", caption: "", created: "2026-01-01", size: 1, ...more }) as Picture;
const ALL = [
  picture("b2.png", { size: 9 }),
  picture("b10.png", { created: "2026-02-01", description: "Beans" }),
  picture("a.png", { caption: "Old school" }),
];
const names = (found: Picture[]) => found.map((one) => one.name);

it("sorts by date, by name as people count, and by size", () => {
  expect(names(arranged(ALL, "", "newest", false))[0]).toBe("b10.png");
  expect(names(arranged(ALL, "", "name", false))).toEqual(["a.png", "b2.png", "b10.png"]);
  expect(names(arranged(ALL, "", "size", false))[0]).toBe("b2.png");
});

it("finds by name and by words, and those that lack a description", () => {
  expect(names(arranged(ALL, " SCHOOL", "name", false))).toEqual(["a.png"]);
  expect(names(arranged(ALL, "", "name", true))).toEqual(["a.png", "b2.png"]);
});
