import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Facts, Style } from "../api/client";
import { ApiProblem, NoConnection } from "../api/problem";
import { countChanges, isChanged, Keeper, notKept, shownValue, valueOf, type Key, type Values } from "./keeper";

const FACTS = {
  version: 1 as const,
  name: "Live",
  short_name: "",
  tagline: "Tag",
  description: "",
  footer_text: "",
  brand_colour: "#000000",
  language: "en-GB",
  time_zone: "UTC",
  logo: null as NonNullable<Facts["logo"]> | null,
  logo_dark: null,
  logo_plate: "" as const,
  logo_width: 0,
  logo_says_name: false,
  icon: null,
  share_picture: null,
  accent_colour: "",
  typefaces: "reading",
};

function style(change: Partial<typeof FACTS> = {}, revision = 1): Style {
  const facts = { ...FACTS, ...change };
  const changed = (Object.keys(change) as Key[]).filter((key) => change[key] !== FACTS[key]);
  return { revision, facts, live_facts: FACTS, changed, changed_pages: 0, live_number: 1, short_name: "Live", limits: {} };
}

/** A server in memory that keeps facts by revision, as the real one does. */
function server() {
  let kept: Partial<typeof FACTS> = {};
  let revision = 1;
  const calls: Values[] = [];
  let failing: Error | null = null;
  return {
    calls,
    fail: (error: Error | null) => (failing = error),
    other(change: Partial<typeof FACTS>) {
      kept = { ...kept, ...change };
      revision += 1;
      return style(kept, revision);
    },
    async keep(values: Values, on: number): Promise<Style> {
      calls.push(values);
      if (failing) throw failing;
      if (on !== revision) {
        const problem = { type: "", status: 412, code: "stale_revision", title: "", errors: [], current: style(kept, revision) };
        throw new ApiProblem(problem);
      }
      kept = { ...kept, ...Object.fromEntries(Object.entries(values).map(([key, value]) => [key, typeof value === "string" ? value.trim() : value])) };
      revision += 1;
      return style(kept, revision);
    },
  };
}

const LOGO = { picture: "a".repeat(32), trim: null, recolour: "", description: "" };

let now = 0;
let desk: ReturnType<typeof server>;
let keeper: Keeper;
beforeEach(() => {
  vi.useFakeTimers();
  now = 0;
  desk = server();
  keeper = new Keeper(style(), desk, () => now);
});

const shown = (key: Key = "name") => shownValue(keeper.snapshot(), key);
const sign = (key: Key = "name") => keeper.snapshot().signs[key];

describe("keeping", () => {
  it("waits for a pause in the typing, then keeps the last words within half a second", async () => {
    keeper.type("name", "A");
    await vi.advanceTimersByTimeAsync(200);
    keeper.type("name", "AB");
    await vi.advanceTimersByTimeAsync(299);
    expect(desk.calls).toEqual([]);
    await vi.advanceTimersByTimeAsync(1);
    expect(desk.calls).toEqual([{ name: "AB" }]);
    expect(sign()).toBe("kept");
  });

  it("leaves a space that is being typed alone, and tidies it when the field is left", async () => {
    keeper.type("name", "Two ");
    await keeper.flush();
    expect(shown()).toBe("Two ");
    keeper.settle("name");
    expect(shown()).toBe("Two");
  });

  it("writes again what was typed while a write was under way", async () => {
    keeper.type("name", "A");
    const first = keeper.flush();
    keeper.type("name", "AB");
    await first;
    await vi.advanceTimersByTimeAsync(300);
    expect(desk.calls).toEqual([{ name: "A" }, { name: "AB" }]);
    expect(sign()).toBe("kept");
  });

  it("tries again until the connection is back", async () => {
    desk.fail(new NoConnection());
    keeper.type("name", "A");
    await keeper.flush();
    expect(sign()).toBe("offline");
    desk.fail(null);
    await vi.advanceTimersByTimeAsync(3_000);
    expect(sign()).toBe("kept");
  });

  it("keeps the rest when one fact is refused, and does not send that again", async () => {
    const errors = [{ field: "name", code: "empty", message: "Empty." }];
    desk.fail(new ApiProblem({ type: "", status: 422, code: "invalid_input", title: "", errors }));
    keeper.type("name", " ");
    keeper.type("tagline", "T");
    await keeper.flush();
    desk.fail(null);
    await vi.advanceTimersByTimeAsync(10);
    expect([sign("name"), sign("tagline")]).toEqual(["refused", "kept"]);
    expect(desk.calls.at(-1)).toEqual({ tagline: "T" });
    expect(notKept(keeper.snapshot())).toEqual(["name"]);
    expect(countChanges(keeper.snapshot())).toBe(1);
  });
});

it("says why a write is not allowed, and does not try it over and over", async () => {
  desk.fail(new ApiProblem({ type: "", status: 403, code: "forbidden", title: "Ask the owner.", errors: [] }));
  keeper.type("name", "A");
  await keeper.flush();
  await vi.advanceTimersByTimeAsync(10_000);
  expect(desk.calls).toHaveLength(1);
  expect(keeper.snapshot().errors.name?.[0]?.message).toBe("Ask the owner.");
});

describe("undo and redo", () => {
  it("takes keystrokes in a row back as one step", () => {
    for (const text of ["A", "AB", "ABC"]) keeper.type("name", text);
    expect(keeper.undo()).toBe("name");
    expect(shown()).toBe("Live");
    expect(keeper.redo()).toBe("name");
    expect(shown()).toBe("ABC");
  });

  it("goes back over facts and pauses, and forgets what was undone at the next keystroke", () => {
    keeper.type("name", "A");
    now = 2_000;
    keeper.type("name", "AB");
    keeper.type("tagline", "T");
    expect([keeper.undo(), keeper.undo()]).toEqual(["tagline", "name"]);
    expect(shown()).toBe("A");
    keeper.type("name", "B");
    expect(keeper.redo()).toBeUndefined();
  });

  it("says when there is nothing to take back", () => {
    expect(keeper.undo()).toBeUndefined();
    expect(keeper.snapshot().canUndo).toBe(false);
  });

  it("takes putting back, back", async () => {
    keeper.type("name", "A");
    keeper.putBack("name");
    expect(isChanged(keeper.snapshot(), "name")).toBe(false);
    keeper.undo();
    expect(shown()).toBe("A");
  });
});

describe("two people", () => {
  it("joins changes of different facts without asking", async () => {
    desk.other({ tagline: "Theirs" });
    keeper.type("name", "Mine");
    await keeper.flush();
    await vi.advanceTimersByTimeAsync(10);
    expect(keeper.snapshot().style.facts).toMatchObject({ name: "Mine", tagline: "Theirs" });
    expect(keeper.snapshot().conflicts).toEqual({});
  });

  it.each([
    ["mine", "Mine"],
    ["theirs", "Theirs"],
  ] as const)("asks about the same fact and keeps %s", async (whose, kept) => {
    desk.other({ name: "Theirs" });
    keeper.type("name", "Mine");
    await keeper.flush();
    await vi.advanceTimersByTimeAsync(1_000);
    expect(keeper.snapshot().conflicts).toEqual({ name: { mine: "Mine", theirs: "Theirs" } });
    keeper.settleConflict("name", whose);
    await vi.advanceTimersByTimeAsync(1_000);
    expect(keeper.snapshot().style.facts.name).toBe(kept);
    expect(keeper.snapshot().conflicts).toEqual({});
  });

  it("does not ask when both typed the same", async () => {
    desk.other({ name: "Same" });
    keeper.type("name", "Same");
    await keeper.flush();
    expect(keeper.snapshot().conflicts).toEqual({});
  });

  it("shows another person's words where nothing is typed here", () => {
    keeper.refresh(desk.other({ name: "Theirs" }));
    expect(shown()).toBe("Theirs");
  });

  it("takes no older state than the one it has", async () => {
    keeper.type("name", "New");
    await keeper.flush();
    keeper.settle("name");
    keeper.refresh(style());
    expect(shown()).toBe("New");
  });
});

it("knows what the server does not have yet", async () => {
  keeper.type("name", "Not yet");
  expect(keeper.unkept()).toEqual({ name: "Not yet" });
  await keeper.flush();
  expect(keeper.unkept()).toEqual({});
});

describe("choices", () => {
  it("keep several facts at once, as one step to undo", async () => {
    keeper.choose({ logo: LOGO, logo_width: 180 });
    await vi.runAllTimersAsync();
    expect(desk.calls).toEqual([{ logo: LOGO, logo_width: 180 }]);
    expect(valueOf(keeper.snapshot(), "logo")).toEqual(LOGO);
    expect(isChanged(keeper.snapshot(), "logo_width")).toBe(true);
    expect(keeper.undo()).toBe("logo");
    await vi.runAllTimersAsync();
    expect(desk.calls.at(-1)).toEqual({ logo: null, logo_width: 0 });
    expect(isChanged(keeper.snapshot(), "logo")).toBe(false);
  });

  it("that slide are one step while they go on", () => {
    for (const width of [100, 120, 140]) keeper.choose({ logo_width: width }, true);
    now = 5_000;
    keeper.choose({ logo_width: 200 }, true);
    keeper.undo();
    expect(valueOf(keeper.snapshot(), "logo_width")).toBe(140);
    keeper.undo();
    expect(valueOf(keeper.snapshot(), "logo_width")).toBe(0);
  });

  it("that change nothing are no step", () => {
    keeper.choose({ logo: null, logo_says_name: false });
    expect(keeper.snapshot().canUndo).toBe(false);
  });

  it("show as the server kept them, and are not sent again", async () => {
    keeper.choose({ icon: { source: "logo", crop: null } });
    await vi.runAllTimersAsync();
    expect(keeper.snapshot().typed).toEqual({});
    await keeper.flush();
    expect(desk.calls).toHaveLength(1);
  });

  it("of somebody else for the same fact are asked about", async () => {
    const theirs = { ...LOGO, picture: "b".repeat(32) };
    desk.other({ logo: theirs });
    keeper.choose({ logo: LOGO });
    await vi.runAllTimersAsync();
    expect(keeper.snapshot().conflicts.logo).toEqual({ mine: LOGO, theirs });
    keeper.settleConflict("logo", "mine");
    await vi.runAllTimersAsync();
    expect(valueOf(keeper.snapshot(), "logo")).toEqual(LOGO);
  });
});

it("does not take its own words for another's when they are read back early", async () => {
  let answer: (style: Style) => void = () => undefined;
  const slow = new Keeper(style(), { keep: () => new Promise((resolve) => (answer = resolve)) }, () => now);
  slow.type("name", "One");
  await vi.advanceTimersByTimeAsync(400);
  slow.type("name", "One more");
  slow.refresh(style({ name: "One" }, 2));
  expect(slow.snapshot().conflicts).toEqual({});
  answer(style({ name: "One" }, 2));
  await vi.advanceTimersByTimeAsync(0);
  expect(shownValue(slow.snapshot(), "name")).toBe("One more");
});
