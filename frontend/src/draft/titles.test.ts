import { describe, expect, it, vi } from "vitest";
import { NoConnection } from "../api/problem";
import { server, style } from "./memoryServer";
import { DraftStore } from "./store";
import { cellValues, knowing, merged, tableOf } from "./titles";

describe("the table of titles", () => {
  it("takes many cells at once, as one step to undo", async () => {
    const remote = server();
    const store = new DraftStore(style(), remote.backend);
    store.openTitles(remote.tableNow());
    store.choose("titles", { "1.title": "One", "2.title": "Two", "2.own_title": "Own" });
    await store.flush();
    expect(remote.calls).toEqual([{ "1.title": "One", "2.title": "Two", "2.own_title": "Own" }]);
    store.undo();
    await store.flush();
    expect(remote.tableNow().rows[2]?.title).toBe("Page 2");
    expect(store.titles?.value("2.own_title")).toBe("");
    expect(store.facts.revision).toBe(3);
  });

  it("makes a write again where somebody else changed another cell, and asks where it was the same", async () => {
    const remote = server();
    const store = new DraftStore(style(), remote.backend);
    store.openTitles(remote.tableNow());
    remote.otherTitle("2.title", "Theirs");
    store.choose("titles", { "1.title": "Mine" });
    await store.flush();
    await store.flush();
    expect([store.titles?.value("1.title"), store.titles?.value("2.title")]).toEqual(["Mine", "Theirs"]);
    remote.otherTitle("1.title", "Theirs, too");
    store.choose("titles", { "1.title": "Mine again" });
    await store.flush();
    expect(store.titles?.state.conflicts["1.title"]).toMatchObject({ mine: "Mine again", theirs: "Theirs, too" });
  });

  it("undoes what was done on the server at once in its turn", async () => {
    const remote = server();
    const store = new DraftStore(style(), remote.backend);
    const deeds: string[] = [];
    const deed = (name: string) => () => {
      deeds.push(name);
      return Promise.resolve();
    };
    store.choose("facts", { name: "First" });
    store.did({ undo: deed("back"), redo: deed("again") });
    store.undo();
    store.redo();
    store.undo();
    store.undo();
    expect(deeds).toEqual(["back", "again", "back"]);
    expect(store.facts.value("name")).toBe("Live");
    await store.flush();
  });

  it("says that what was changed since can't be undone any more, and goes on with what was before", async () => {
    const store = new DraftStore(style(), server().backend);
    store.choose("facts", { name: "First" });
    store.did({ undo: () => Promise.reject(new Error("412")), redo: () => Promise.resolve() });
    store.undo();
    await vi.waitFor(() => expect(store.refused).toBe("undo"));
    expect(store.canRedo).toBe(false);
    store.undo();
    expect(store.refused).toBeUndefined();
    expect(store.facts.value("name")).toBe("Live");
    await store.flush();
  });

  it("keeps what could not be undone while the line was down", async () => {
    const store = new DraftStore(style(), server().backend);
    store.did({ undo: () => Promise.reject(new NoConnection()), redo: () => Promise.resolve() });
    store.undo();
    await vi.waitFor(() => expect(store.canUndo).toBe(true));
    expect(store.refused).toBeUndefined();
    expect(store.canRedo).toBe(false);
  });
});

const part = (ids: number[]) => ({
  ...{ revision: 1, count: 9_000, faults: [], looked_over: 9, is_whole: true },
  ...{ search_cut: 580, tab_cut: 190, description_cut: 155 },
  rows: ids.map((id) => ({
    ...{ id, path: `/${String(id)}/`, title: `Page ${String(id)}`, own_title: "", menu_title: "", summary: "" },
    ...{ shown_title: "", description: "", source: "" as const, search_width: 1, tab_width: 1, faults: [] },
  })),
});
const numbers = (from: number, count: number) => Array.from({ length: count }, (_, index) => from + index);

describe("rows of a long table", () => {
  it("keeps those that were read last, and those that are edited", () => {
    const table = [1, 1001, 2001, 3001].reduce(
      (before, from) => merged(before, part(numbers(from, 1_000)), ["7.title"]),
      tableOf(part([])),
    );
    const kept = Object.keys(table.rows).map(Number);
    expect(kept).toHaveLength(3_001);
    expect([kept[0], kept[1], kept.at(-1)]).toEqual([7, 1_001, 4_000]);
    expect(cellValues(table)["7.title"]).toBe("Page 7");
  });

  it("takes back what a proposal changed in rows that were never read", async () => {
    const remote = server();
    const store = new DraftStore(style(), remote.backend);
    store.openTitles(remote.tableNow());
    const cells = [{ page: 9, path: "/9/", field: "title" as const, value: "New", was: "Old" }];
    const now = store.titles?.state.meta ?? remote.tableNow();
    store.openTitles({ ...knowing(now, cells), revision: store.titles?.revision ?? 1 });
    store.choose("titles", { "9.title": "New" });
    await store.flush();
    store.undo();
    await store.flush();
    expect(remote.calls).toEqual([{ "9.title": "New" }, { "9.title": "Old" }]);
  });

  it("forgets what a proposal said of a row once that is read", () => {
    const cells = [{ page: 9, path: "/9/", field: "title" as const, value: "New", was: "Old" }];
    const table = merged(knowing(tableOf(part([1])), cells), part([9]));
    expect(cellValues(table)["9.title"]).toBe("Page 9");
  });

  it("lets words that were laid aside wait for their rows", async () => {
    const remote = server();
    const store = new DraftStore(style(), remote.backend);
    const laid = {
      titles: { "1.title": { value: "Mine", base: "Page 1" }, "9.title": { value: "M", base: "Page 9" } },
    };
    store.takeUp(laid);
    store.openTitles(remote.tableNow());
    expect(store.titles?.value("1.title")).toBe("Mine");
    expect(store.aside().titles).toHaveProperty("9.title");
    store.openTitles(merged(remote.tableNow(), part([9])));
    expect(store.titles?.value("9.title")).toBe("M");
    await store.flush();
  });
});
