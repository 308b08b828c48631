import { describe, expect, it } from "vitest";
import type { Proofs } from "../api/client";
import { ApiProblem, NoConnection } from "../api/problem";
import { findProof, pieces, showsFact } from "./model";
import { ProofReader, type Wish } from "./reader";

describe("pieces", () => {
  it("counts code points, so that emoji shift nothing", () => {
    const line = { role: "title", text: "👩‍🌾 days – Seeds 🌱", marks: [{ fact: "name", start: 11, end: 16 }] };
    expect(pieces(line, "name")).toEqual([
      { text: "👩‍🌾 days – ", lit: false },
      { text: "Seeds", lit: true },
      { text: " 🌱", lit: false },
    ]);
  });

  it("marks only the fact that is asked for", () => {
    const line = { role: "title", text: "AB", marks: [{ fact: "tagline", start: 0, end: 1 }] };
    expect(pieces(line, "name")).toEqual([{ text: "AB", lit: false }]);
  });
});

const proof = (place: "tab" | "manifest", path: string, fact = "name") => ({
  place,
  path,
  colour: "",
  pictures: [],
  plates: "",
  lines: [{ role: "name", text: "A", marks: [{ fact, start: 0, end: 1 }] }],
});

it("finds the chosen page's proof first, and the home page's when asked", () => {
  const all = [proof("tab", "/a/"), proof("tab", "/")];
  expect(findProof(all, "tab", false)?.path).toBe("/a/");
  expect(findProof(all, "tab", true)?.path).toBe("/");
  expect(findProof(all, "feed", false)).toBeUndefined();
});

it("knows that a home screen shows the short name alone", () => {
  expect(showsFact(proof("tab", "/"), "name")).toBe(true);
  expect(showsFact(proof("manifest", ""), "name")).toBe(false);
});

describe("reading proofs while typing", () => {
  function setUp() {
    const asked: string[] = [];
    const answers: (() => void)[] = [];
    let refusal: Error | null = null;
    const reader = new ProofReader((wish: Wish) => {
      asked.push(String(wish.typed.name ?? ""));
      return new Promise((resolve, reject) =>
        answers.push(() => (refusal ? reject(refusal) : resolve({ short_name: String(wish.typed.name) } as Proofs))),
      );
    });
    async function answer() {
      answers.shift()?.();
      await new Promise((resolve) => setTimeout(resolve));
    }
    return { reader, asked, answer, refuse: (error: Error) => (refusal = error) };
  }
  const want = (reader: ProofReader, name: string) => reader.want({ path: "/", typed: { name } });

  it("asks at once, one at a time, and then for the newest words", async () => {
    const { reader, asked, answer } = setUp();
    for (const name of ["A", "AB", "ABC"]) want(reader, name);
    expect(asked).toEqual(["A"]);
    await answer();
    expect(reader.snapshot().proofs?.short_name).toBe("A");
    expect(asked).toEqual(["A", "ABC"]);
    await answer();
    expect(reader.snapshot().proofs?.short_name).toBe("ABC");
  });

  it("keeps the last proofs when the connection is lost, and says so", async () => {
    const { reader, answer, refuse } = setUp();
    want(reader, "A");
    await answer();
    refuse(new NoConnection());
    want(reader, "B");
    await answer();
    expect(reader.snapshot()).toMatchObject({ lost: true, proofs: { short_name: "A" } });
    refuse(new ApiProblem({ type: "", status: 404, code: "not_found", title: "", errors: [] }));
    want(reader, "C");
    await answer();
    expect(reader.snapshot().lost).toBe(false);
  });
});
