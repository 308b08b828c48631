import { afterEach, expect, it, vi } from "vitest";
import { formatFor } from "./format";

it("writes days and sizes as each language does", () => {
  const [english, german] = [formatFor("en-GB"), formatFor("de-CH")];
  expect(english.day("2026-04-01")).toBe("1 Apr 2026");
  expect(german.day("2026-04-01T23:59:59Z")).toBe("01.04.2026");
  expect([english.bytes(1_234), english.bytes(54_000), english.bytes(3_400_000)]).toEqual([
    "1.2 kB",
    "54 kB",
    "3.4 MB",
  ]);
});

afterEach(() => {
  vi.useRealTimers();
});

it("says what was lately by the day that it was", () => {
  vi.useFakeTimers();
  vi.setSystemTime(new Date(2026, 11, 2, 0, 30));
  const format = formatFor("en-GB");
  expect(format.lately(new Date(2026, 11, 1, 23, 50).toISOString())).toBe("yesterday 23:50");
  expect(format.lately(new Date(2026, 11, 2, 0, 5).toISOString())).toBe("today 00:05");
  expect(format.lately(new Date(2026, 10, 26, 9, 0).toISOString())).toBe("6 days ago 09:00");
  expect(format.lately(new Date(2026, 10, 25, 9, 0).toISOString())).toBe("25 November 2026 at 09:00");
});
