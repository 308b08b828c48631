import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Facts, Style } from "../api/client";
import { ApiProblem, NoConnection } from "../api/problem";
import { countChanges, isChanged, type FactKey } from "./changes";
import { PAGE, server, style } from "./memoryServer";
import { DraftStore, type Backend } from "./store";

const LOGO = { picture: "a".repeat(32), trim: null, recolour: "", description: "" };

let now = 0;
let desk: ReturnType<typeof server>;
let store: DraftStore;
beforeEach(() => {
  vi.useFakeTimers();
  now = 0;
  desk = server();
  store = new DraftStore(style(), desk.backend, () => now);
});

const shown = (key: FactKey = "name") => store.facts.value(key);
const status = (key: FactKey = "name") => store.facts.state.statuses[key];
const type = (key: FactKey, text: string) => store.type("facts", key, text);
const choose = (values: Partial<Facts>, sliding = false) => store.choose("facts", values, sliding);

describe("keeping", () => {
  it("waits for a pause in the typing, then keeps the last words within half a second", async () => {
    type("name", "A");
    await vi.advanceTimersByTimeAsync(200);
    type("name", "AB");
    await vi.advanceTimersByTimeAsync(299);
    expect(desk.calls).toEqual([]);
    await vi.advanceTimersByTimeAsync(1);
    expect(desk.calls).toEqual([{ name: "AB" }]);
    expect(status()).toBe("saved");
  });

  it("leaves a space that is being typed alone, and tidies it when the field is left", async () => {
    type("name", "Two ");
    await store.flush();
    expect(shown()).toBe("Two ");
    store.facts.settle("name");
    expect(shown()).toBe("Two");
  });

  it("writes again what was typed while a write was under way", async () => {
    type("name", "A");
    const first = store.flush();
    type("name", "AB");
    await first;
    await vi.advanceTimersByTimeAsync(300);
    expect(desk.calls).toEqual([{ name: "A" }, { name: "AB" }]);
    expect(status()).toBe("saved");
  });

  it("tries again until the connection is back", async () => {
    desk.fail(new NoConnection());
    type("name", "A");
    await store.flush();
    expect(status()).toBe("offline");
    desk.fail(null);
    await vi.advanceTimersByTimeAsync(3_000);
    expect(status()).toBe("saved");
  });

  it("keeps the rest when one fact is refused, and does not send that again", async () => {
    const errors = [{ field: "name", code: "empty", message: "Empty." }];
    desk.fail(new ApiProblem({ type: "", status: 422, code: "invalid_input", title: "", errors }));
    type("name", " ");
    type("tagline", "T");
    await store.flush();
    desk.fail(null);
    await vi.advanceTimersByTimeAsync(10);
    expect([status("name"), status("tagline")]).toEqual(["refused", "saved"]);
    expect(desk.calls.at(-1)).toEqual({ tagline: "T" });
    expect(store.facts.notSaved()).toEqual(["name"]);
    expect(countChanges(store.facts)).toBe(1);
  });
});

it("says why a write is not allowed, and does not try it over and over", async () => {
  desk.fail(new ApiProblem({ type: "", status: 403, code: "forbidden", title: "Ask the owner.", errors: [] }));
  type("name", "A");
  await store.flush();
  await vi.advanceTimersByTimeAsync(10_000);
  expect(desk.calls).toHaveLength(1);
  expect(store.facts.state.errors.name?.[0]?.message).toBe("Ask the owner.");
});

describe("undo and redo", () => {
  it("takes keystrokes in a row back as one step", () => {
    for (const text of ["A", "AB", "ABC"]) type("name", text);
    expect(store.undo()?.key).toBe("name");
    expect(shown()).toBe("Live");
    expect(store.redo()?.key).toBe("name");
    expect(shown()).toBe("ABC");
  });

  it("goes back over facts and pauses, and forgets what was undone at the next keystroke", () => {
    type("name", "A");
    now = 2_000;
    type("name", "AB");
    type("tagline", "T");
    expect([store.undo()?.key, store.undo()?.key]).toEqual(["tagline", "name"]);
    expect(shown()).toBe("A");
    type("name", "B");
    expect(store.redo()?.key).toBeUndefined();
  });

  it("says when there is nothing to take back", () => {
    expect(store.undo()?.key).toBeUndefined();
    expect(store.canUndo).toBe(false);
  });

  it("takes putting back, back", async () => {
    type("name", "A");
    store.putBack("name", "Live");
    expect(isChanged(store.facts, "name")).toBe(false);
    store.undo();
    expect(shown()).toBe("A");
  });
});

describe("two people", () => {
  it("joins changes of different facts without asking", async () => {
    desk.other({ tagline: "Theirs" });
    type("name", "Mine");
    await store.flush();
    await vi.advanceTimersByTimeAsync(10);
    expect(store.facts.state.saved).toMatchObject({ name: "Mine", tagline: "Theirs" });
    expect(store.facts.state.conflicts).toEqual({});
  });

  it.each([
    ["mine", "Mine"],
    ["theirs", "Theirs"],
  ] as const)("asks about the same fact and keeps %s", async (whose, kept) => {
    desk.other({ name: "Theirs" });
    type("name", "Mine");
    await store.flush();
    await vi.advanceTimersByTimeAsync(1_000);
    expect(store.facts.state.conflicts).toEqual({ name: { mine: "Mine", theirs: "Theirs", base: "Live" } });
    store.facts.settleConflict("name", whose);
    await vi.advanceTimersByTimeAsync(1_000);
    expect(store.facts.state.saved.name).toBe(kept);
    expect(store.facts.state.conflicts).toEqual({});
  });

  it("means the newest words by mine", async () => {
    desk.other({ name: "Theirs" });
    type("name", "Mine");
    await store.flush();
    type("name", "Mine, typed on");
    expect(store.facts.state.conflicts.name).toEqual({ mine: "Mine, typed on", theirs: "Theirs", base: "Live" });
    store.facts.settleConflict("name", "mine");
    await vi.advanceTimersByTimeAsync(1_000);
    expect(store.facts.state.saved.name).toBe("Mine, typed on");
  });

  it("does not ask when both typed the same", async () => {
    desk.other({ name: "Same" });
    type("name", "Same");
    await store.flush();
    expect(store.facts.state.conflicts).toEqual({});
  });

  it("shows another person's words where nothing is typed here", () => {
    store.facts.refresh(desk.other({ name: "Theirs" }));
    expect(shown()).toBe("Theirs");
  });

  it("takes no older state than the one it has", async () => {
    type("name", "New");
    await store.flush();
    store.facts.settle("name");
    store.facts.refresh(style());
    expect(shown()).toBe("New");
  });
});

it("knows what the server does not have yet", async () => {
  type("name", "Not yet");
  expect(store.facts.unsaved()).toEqual({ name: { value: "Not yet", base: "Live" } });
  await store.flush();
  expect(store.facts.unsaved()).toEqual({});
});

describe("what was laid aside", () => {
  const laid = (value: string, base: string) => ({ value, base });

  it("holds the words of every document, each with what it was typed over", () => {
    store.openPage(PAGE);
    type("name", "Not yet");
    store.type("page:7", "body", "Written offline");
    expect(store.aside()).toEqual({
      facts: { name: laid("Not yet", "Live") },
      "page:7": { body: laid("Written offline", "") },
    });
  });

  it("is saved where the server still keeps what it was typed over", async () => {
    store.takeUp({ facts: { name: laid("Kept", "Live") } });
    expect(shown()).toBe("Kept");
    await vi.runAllTimersAsync();
    expect(store.aside()).toEqual({});
    expect(store.facts.state.saved.name).toBe("Kept");
    store.undo();
    expect(shown()).toBe("Live");
  });

  it("is a choice again where somebody else wrote meanwhile", async () => {
    store.takeUp({ facts: { name: laid("Mine", "As it was then") } });
    expect(store.facts.state.conflicts).toEqual({
      name: { mine: "Mine", theirs: "Live", base: "As it was then" },
    });
    await vi.runAllTimersAsync();
    expect(store.facts.state.saved.name).toBe("Live");
    // And once more, should the page be loaded anew before it is answered.
    expect(store.aside()).toEqual({ facts: { name: laid("Mine", "As it was then") } });
  });

  it("waits for a page until that is opened", async () => {
    store.takeUp({ "page:7": { title: laid("Mine", "About") }, "page:8": { title: laid("Other", "x") } });
    expect(store.waitingPages).toEqual([7, 8]);
    store.openPage(PAGE);
    expect(store.page(7)?.value("title")).toBe("Mine");
    await vi.runAllTimersAsync();
    expect(store.aside()).toEqual({ "page:8": { title: laid("Other", "x") } });
  });

  it("never takes the place of what is being typed", () => {
    type("name", "Newer");
    store.takeUp({ facts: { name: laid("Older", "Live") } });
    expect(shown()).toBe("Newer");
  });
});

describe("choices", () => {
  it("keep several facts at once, as one step to undo", async () => {
    choose({ logo: LOGO, logo_width: 180 });
    await vi.runAllTimersAsync();
    expect(desk.calls).toEqual([{ logo: LOGO, logo_width: 180 }]);
    expect(store.facts.value("logo")).toEqual(LOGO);
    expect(isChanged(store.facts, "logo_width")).toBe(true);
    expect(store.undo()?.key).toBe("logo");
    await vi.runAllTimersAsync();
    expect(desk.calls.at(-1)).toEqual({ logo: null, logo_width: 0 });
    expect(isChanged(store.facts, "logo")).toBe(false);
  });

  it("that slide are one step while they go on", () => {
    for (const width of [100, 120, 140]) choose({ logo_width: width }, true);
    now = 5_000;
    choose({ logo_width: 200 }, true);
    store.undo();
    expect(store.facts.value("logo_width")).toBe(140);
    store.undo();
    expect(store.facts.value("logo_width")).toBe(0);
  });

  it("that change nothing are no step", () => {
    choose({ logo: null, logo_says_name: false });
    expect(store.canUndo).toBe(false);
  });

  it("show as the server kept them, and are not sent again", async () => {
    choose({ icon: { source: "logo", crop: null } });
    await vi.runAllTimersAsync();
    expect(store.facts.state.typed).toEqual({});
    await store.flush();
    expect(desk.calls).toHaveLength(1);
  });

  it("of somebody else for the same fact are asked about", async () => {
    const theirs = { ...LOGO, picture: "b".repeat(32) };
    desk.other({ logo: theirs });
    choose({ logo: LOGO });
    await vi.runAllTimersAsync();
    expect(store.facts.state.conflicts.logo).toEqual({ mine: LOGO, theirs, base: null });
    store.facts.settleConflict("logo", "mine");
    await vi.runAllTimersAsync();
    expect(store.facts.value("logo")).toEqual(LOGO);
  });
});

it("does not take its own words for another's when they are read back early", async () => {
  let answer: (style: Style) => void = () => undefined;
  const facts: Backend["facts"] = () => new Promise((resolve) => (answer = resolve));
  const slow = new DraftStore(style(), { ...desk.backend, facts }, () => now);
  slow.type("facts", "name", "One");
  await vi.advanceTimersByTimeAsync(400);
  slow.type("facts", "name", "One more");
  slow.facts.refresh(style({ name: "One" }, 2));
  expect(slow.facts.state.conflicts).toEqual({});
  answer(style({ name: "One" }, 2));
  await vi.advanceTimersByTimeAsync(0);
  expect(slow.facts.value("name")).toBe("One more");
});

describe("pages beside facts", () => {
  const title = () => store.page(7)?.value("title");

  it("have one history with them", async () => {
    store.openPage(PAGE);
    type("name", "A");
    store.type("page:7", "title", "Us");
    await vi.advanceTimersByTimeAsync(1_000);
    expect(desk.calls).toContainEqual({ title: "Us" });
    expect(store.undo()).toEqual({ document: "page:7", key: "title" });
    expect([title(), shown()]).toEqual(["About", "A"]);
    expect(store.undo()).toEqual({ document: "facts", key: "name" });
    expect([store.redo()?.document, store.redo()?.document]).toEqual(["facts", "page:7"]);
    expect([title(), shown()]).toEqual(["Us", "A"]);
  });

  it("are no strangers to each other's writes", async () => {
    store.openPage(PAGE);
    type("name", "A");
    await store.flush();
    store.type("page:7", "title", "Us");
    await store.flush();
    type("tagline", "B");
    await store.flush();
    expect(desk.calls).toEqual([{ name: "A" }, { title: "Us" }, { tagline: "B" }]);
  });

  it("are asked about where somebody else changed the same field", async () => {
    store.openPage(PAGE);
    desk.otherPage({ title: "Theirs", summary: "New" });
    store.type("page:7", "title", "Mine");
    await vi.advanceTimersByTimeAsync(1_000);
    expect(store.page(7)?.state.conflicts).toEqual({ title: { mine: "Mine", theirs: "Theirs", base: "About" } });
    expect(store.page(7)?.value("summary")).toBe("New");
    store.document("page:7").settleConflict("title", "mine");
    await vi.advanceTimersByTimeAsync(1_000);
    expect(store.page(7)?.state.saved.title).toBe("Mine");
  });

  it("can't be written before they are open", () => {
    expect(() => store.type("page:9", "title", "X")).toThrow("open it first");
  });
});
