// @vitest-environment happy-dom
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { NoConnection } from "../api/problem";

beforeEach(() => {
  vi.useFakeTimers();
  vi.spyOn(AbortSignal, "timeout").mockImplementation((wait) => {
    const ending = new AbortController();
    setTimeout(() => ending.abort(new DOMException("took too long", "TimeoutError")), wait);
    return ending.signal;
  });
});

afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

it("takes a line on which no answer comes for a lost one, so that what was typed is sent again", async () => {
  const asked: Request[] = [];
  vi.stubGlobal("fetch", (request: Request) => {
    asked.push(request);
    return new Promise((_, fail) => {
      request.signal.addEventListener("abort", () => fail(request.signal.reason as Error));
    });
  });
  const { backendFor } = await import("./api");
  const writing = backendFor("seeds", () => undefined).facts({ name: "Seeds" }, 1);
  const outcome = writing.catch((error: unknown) => error);
  await vi.advanceTimersByTimeAsync(29_000);
  expect(asked).toHaveLength(1);
  expect(asked[0]?.signal.aborted).toBe(false);
  await vi.advanceTimersByTimeAsync(2_000);
  expect(await outcome).toBeInstanceOf(NoConnection);
});
