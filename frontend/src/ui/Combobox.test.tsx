// @vitest-environment happy-dom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, expect, it, vi } from "vitest";
import { Combobox } from "./Combobox";
import "../i18n/i18n";

afterEach(cleanup);
const TOWNS = Array.from({ length: 30 }, (_, n) => ({
  key: String(n),
  title: `Town ${String(n)}`,
  more: "Land",
  value: n,
}));

function Field({ onChoose }: { onChoose: (value: number) => void }) {
  const [typed, setTyped] = useState("");
  const options = TOWNS.filter((town) => typed && town.title.toLowerCase().startsWith(typed.toLowerCase()));
  return <Combobox label="Town" typed={typed} options={options} onType={setTyped} onChoose={onChoose} />;
}

it("chooses by keyboard, bringing the active option into view", async () => {
  const scrolled = vi.fn();
  Element.prototype.scrollIntoView = scrolled;
  const choose = vi.fn();
  render(<Field onChoose={choose} />);
  const input = screen.getByRole("combobox", { name: "Town" });
  await userEvent.type(input, "town");
  expect(screen.getAllByRole("option")).toHaveLength(30);
  expect(input.getAttribute("aria-expanded")).toBe("true");
  await userEvent.keyboard("{ArrowDown}{ArrowDown}");
  const active = document.getElementById(input.getAttribute("aria-activedescendant") ?? "");
  expect(active?.textContent).toContain("Town 2");
  await userEvent.keyboard("{Enter}");
  expect(choose).toHaveBeenCalledWith(2);
});

it("leaves what was typed when it is closed or left", async () => {
  render(<Field onChoose={() => undefined} />);
  const input = screen.getByRole<HTMLInputElement>("combobox", { name: "Town" });
  await userEvent.type(input, "town 1{Escape}");
  expect(screen.queryAllByRole("option")).toHaveLength(0);
  await userEvent.tab();
  expect(input.value).toBe("town 1");
});
