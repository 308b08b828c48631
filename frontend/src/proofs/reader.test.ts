import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Proof, Proofs, Reach } from "../api/client";
import { ApiProblem, NoConnection } from "../api/problem";
import { ProofReader, proofKey, type ProofRequest, type ReachRequest } from "./reader";

function proofOf(name: string, place: Proof["place"], path: string): Proof {
  return {
    place,
    path,
    colour: "",
    pictures: [],
    plates: "",
    arrangement: "",
    is_sample: false,
    read_on: "",
    lines: [{ role: "title", text: name, highlights: [] }],
  };
}

function setUp() {
  const asked: ProofRequest[] = [];
  const reached: ReachRequest[] = [];
  const answers: (() => void)[] = [];
  let refusal: Error | null = null;
  const reader = new ProofReader({
    proofs: (request) => {
      asked.push(request);
      const proofs = request.places.map(({ place, home }) =>
        proofOf(String(request.typed.name), place, home ? "/" : request.path),
      );
      const read: Proofs = {
        path: request.path,
        direction: "ltr",
        proofs,
        derived: {},
        icon_url: "",
        themes: {},
        errors: [],
      };
      return new Promise((resolve, reject) => answers.push(() => (refusal ? reject(refusal) : resolve(read))));
    },
    reach: async (request) => {
      reached.push(request);
      return Object.fromEntries(request.keys.map((key): [string, Reach] => [key, { pages: 3, places: [] }]));
    },
  });
  async function answer() {
    answers.shift()?.();
    await vi.advanceTimersByTimeAsync(0);
  }
  return { reader, asked, reached, answer, refuse: (error: Error) => (refusal = error) };
}

const TAB = { places: [{ place: "tab" as const, home: false }], keys: ["name"] };
const shown = (reader: ProofReader) => reader.snapshot().proofs[proofKey("tab", "/a/")]?.lines[0]?.text;
const want = (reader: ProofReader, name: string, revision = 1) => reader.want("/a/", "", { name }, revision);

beforeEach(() => void vi.useFakeTimers());

describe("reading proofs while typing", () => {
  it("asks at once, one at a time, and then for the newest words", async () => {
    const { reader, asked, answer } = setUp();
    reader.view("row", TAB);
    for (const name of ["A", "AB", "ABC"]) {
      want(reader, name);
      await vi.advanceTimersByTimeAsync(0);
    }
    expect(asked.map((one) => one.typed.name)).toEqual(["A"]);
    await answer();
    expect(shown(reader)).toBe("A");
    await answer();
    expect(shown(reader)).toBe("ABC");
    expect(asked.map((one) => one.typed.name)).toEqual(["A", "ABC"]);
  });

  it("asks only for what somebody looks at, all that is in view together", async () => {
    const { reader, asked, answer } = setUp();
    want(reader, "A");
    await vi.advanceTimersByTimeAsync(0);
    expect(asked).toEqual([]);
    const stop = reader.view("one", TAB);
    reader.view("two", { places: [{ place: "search", home: true }, ...TAB.places], keys: [] });
    await vi.advanceTimersByTimeAsync(0);
    expect(asked[0]?.places).toEqual([...TAB.places, { place: "search", home: true }]);
    await answer();
    stop();
    want(reader, "B");
    await vi.advanceTimersByTimeAsync(0);
    expect(asked[1]?.places).toHaveLength(2);
  });

  it("leaves what says the same the same object, so that it is not drawn anew", async () => {
    const { reader, answer } = setUp();
    reader.view("row", TAB);
    want(reader, "A");
    await vi.advanceTimersByTimeAsync(0);
    await answer();
    const before = reader.snapshot().proofs[proofKey("tab", "/a/")];
    want(reader, "A", 2);
    await vi.advanceTimersByTimeAsync(0);
    await answer();
    expect(reader.snapshot().proofs[proofKey("tab", "/a/")]).toBe(before);
  });

  it("keeps the last proofs when the connection is lost, and says so", async () => {
    const { reader, answer, refuse } = setUp();
    reader.view("row", TAB);
    want(reader, "A");
    await vi.advanceTimersByTimeAsync(0);
    await answer();
    refuse(new NoConnection());
    want(reader, "B");
    await vi.advanceTimersByTimeAsync(0);
    await answer();
    expect([reader.snapshot().lost, shown(reader)]).toEqual([true, "A"]);
    refuse(new ApiProblem({ type: "", status: 404, code: "not_found", title: "", errors: [] }));
    want(reader, "C");
    await vi.advanceTimersByTimeAsync(0);
    await answer();
    expect(reader.snapshot().lost).toBe(false);
  });
});

describe("reach", () => {
  it("is counted when the typing rests, once for each state, for the facts in view", async () => {
    const { reader, reached } = setUp();
    reader.view("row", TAB);
    for (const name of ["A", "AB"]) {
      want(reader, name);
      await vi.advanceTimersByTimeAsync(300);
    }
    expect(reached).toEqual([]);
    await vi.advanceTimersByTimeAsync(300);
    expect(reached).toEqual([{ keys: ["name"], typed: { name: "AB" } }]);
    reader.view("other", { places: [], keys: ["tagline", "name"] });
    await vi.advanceTimersByTimeAsync(600);
    expect(reached[1]?.keys).toEqual(["tagline"]);
    expect(reader.snapshot().reach.name?.pages).toBe(3);
  });

  it("is counted anew for the fact that is typed, and for the others after a longer rest", async () => {
    const { reader, reached } = setUp();
    reader.view("row", { places: [], keys: ["name", "tagline"] });
    want(reader, "A");
    await vi.advanceTimersByTimeAsync(600);
    want(reader, "B");
    await vi.advanceTimersByTimeAsync(600);
    expect(reached.slice(1)).toEqual([{ keys: ["name"], typed: { name: "B" } }]);
    await vi.advanceTimersByTimeAsync(3_000);
    expect(reached.slice(2)).toEqual([{ keys: ["tagline"], typed: { name: "B" } }]);
    await vi.advanceTimersByTimeAsync(9_000);
    expect(reached).toHaveLength(3);
  });
});
