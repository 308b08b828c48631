import { describe, expect, it, vi } from "vitest";
import { NoConnection } from "../api/problem";
import { server, style } from "./memoryServer";
import { DraftStore } from "./store";

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
