// @vitest-environment happy-dom
import { act, cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Profiler } from "react";
import { afterEach, expect, it, vi } from "vitest";
import type { Style } from "../api/client";
import { ApiProblem } from "../api/problem";
import { ConflictChoice } from "./ConflictChoice";
import { FieldErrors } from "./FieldErrors";
import { FieldStatus } from "./FieldStatus";
import { StoreContext, useFact } from "./hooks";
import { DraftStore } from "./store";
import { TextField } from "./TextField";
import { UndoRedo } from "./UndoButtons";
import { useUndoKeys } from "./useUndoKeys";
import "../i18n/i18n";

afterEach(cleanup);

function styleOf(change: object, revision = 1): Style {
  const facts = { name: "Live", tagline: "Tag", footer_text: "", language: "en-GB", ...change } as Style["facts"];
  const rest = {
    changed: [],
    authors: {},
    changed_pages: 0,
    live_number: 1,
    shown_on: "/",
    words: {},
    live_words: {},
    default_words: {},
    derived: {},
  };
  return { revision, facts, live_facts: styleFacts(), ...rest };
}

function styleFacts(): Style["facts"] {
  return { name: "Live", tagline: "Tag", footer_text: "", language: "en-GB" } as Style["facts"];
}

const NO_PAGES = () => Promise.reject(new Error("no page is open"));

function Fields() {
  return (
    <>
      {(["name", "tagline"] as const).map((key) => (
        <div key={key}>
          <span id={key}>{key}</span>
          <TextField document="facts" field={key} labelledBy={key} describedBy={`wrong-${key}`} readOnly={false} />
          <ConflictChoice document="facts" field={key} />
          <FieldErrors document="facts" field={key} id={`wrong-${key}`} />
          <FieldStatus document="facts" field={key} />
        </div>
      ))}
      <UndoRedo />
    </>
  );
}

function Keys({ store }: { store: DraftStore }) {
  useUndoKeys(store, true);
  return null;
}

function show(facts: (values: object, revision: number) => Promise<Style>) {
  const store = new DraftStore(styleOf({}), { facts, page: NO_PAGES, titles: NO_PAGES });
  render(
    <StoreContext value={store}>
      <Keys store={store} />
      <Fields />
    </StoreContext>,
  );
  return store;
}

const field = (name: string) => screen.getByRole<HTMLTextAreaElement>("textbox", { name });

it("undoes and redoes by keyboard and by button, and brings the field to the eye", async () => {
  show(async (values) => styleOf(values, 2));
  await userEvent.type(field("name"), "!");
  await userEvent.type(field("tagline"), "?");
  await userEvent.keyboard("{Control>}zz{/Control}");
  expect([field("name").value, field("tagline").value]).toEqual(["Live", "Tag"]);
  expect(document.activeElement).toBe(field("name"));
  await userEvent.keyboard("{Control>}{Shift>}z{/Shift}{/Control}");
  expect(field("name").value).toBe("Live!");
  await userEvent.click(screen.getByRole("button", { name: "Redo" }));
  expect(field("tagline").value).toBe("Tag?");
  expect(screen.getByRole<HTMLButtonElement>("button", { name: "Redo" }).disabled).toBe(true);
  await userEvent.click(screen.getByRole("button", { name: "Undo" }));
  expect(field("tagline").value).toBe("Tag");
});

it("asks whose words should stay, outside of what is read out, and keeps the chosen ones", async () => {
  const writes: object[] = [];
  let revision = 5;
  const store = show(async (values, on) => {
    writes.push(values);
    if (on === revision) return styleOf(values, (revision += 1));
    const current = styleOf({ name: "Theirs" }, revision) as unknown as Record<string, never>;
    throw new ApiProblem({ type: "", status: 412, code: "stale_revision", title: "", errors: [], current });
  });
  await userEvent.clear(field("name"));
  await userEvent.type(field("name"), "Mine");
  await act(() => store.flush());
  const alert = await screen.findByText("Somebody else changed this meanwhile. Which words should stay?");
  expect(alert.querySelector("button")).toBeNull();
  expect(screen.getByText("Theirs").tagName).toBe("B");
  await userEvent.click(screen.getByRole("button", { name: "Keep yours" }));
  await act(() => store.flush());
  expect(writes.at(-1)).toEqual({ name: "Mine" });
  expect(screen.queryByText("Theirs")).toBeNull();
});

it("says what is refused at the spot, and puts the fix in place", async () => {
  const error = { field: "name", code: "line_break", message: "It is one line.", start: 4, end: 5, fix: " " };
  const store = show(async () => {
    throw new ApiProblem({ type: "", status: 422, code: "invalid_input", title: "", errors: [error] });
  });
  await userEvent.type(field("name"), "_x");
  await act(() => store.flush());
  expect(screen.getByText("It is one line.").closest("[role=alert]")).not.toBeNull();
  expect(field("name").getAttribute("aria-invalid")).toBe("true");
  await userEvent.click(screen.getByRole("button", { name: "Take it out" }));
  expect(field("name").value).toBe("Live x");
});

it("renders one row for a keystroke", async () => {
  const rendered: string[] = [];
  const store = new DraftStore(styleOf({}), {
    facts: () => new Promise(() => undefined),
    page: NO_PAGES,
    titles: NO_PAGES,
  });
  function Row({ fact }: { fact: "name" | "tagline" | "footer_text" }) {
    return (
      <Profiler id={fact} onRender={(id) => rendered.push(id)}>
        <span>{useFact(fact)}</span>
      </Profiler>
    );
  }
  render(
    <StoreContext value={store}>
      <Row fact="name" />
      <Row fact="tagline" />
      <Row fact="footer_text" />
    </StoreContext>,
  );
  rendered.length = 0;
  act(() => store.type("facts", "tagline", "Typed"));
  expect(rendered).toEqual(["tagline"]);
  vi.useRealTimers();
});
