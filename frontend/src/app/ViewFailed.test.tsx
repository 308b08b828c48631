// @vitest-environment happy-dom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { ErrorBoundary } from "react-error-boundary";
import { afterEach, expect, it, vi } from "vitest";
import { ViewFailed } from "./ViewFailed";
import "../i18n/i18n";

afterEach(cleanup);

it("offers a way on when a view fails, and shows it again when it no longer does", async () => {
  vi.spyOn(console, "error").mockImplementation(() => undefined);
  let broken = true;
  function View() {
    if (broken) throw new Error("broken");
    return <p>The view</p>;
  }
  render(
    <ErrorBoundary FallbackComponent={ViewFailed}>
      <View />
    </ErrorBoundary>,
  );
  expect(screen.getByRole("heading").textContent).toBe("This view could not be shown");
  expect(screen.getByRole("link", { name: "Go to your sites" }).getAttribute("href")).toBe("/");
  broken = false;
  await userEvent.click(screen.getByRole("button", { name: "Try again" }));
  expect(screen.getByText("The view")).toBeDefined();
});
