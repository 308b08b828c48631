import { expect, it } from "vitest";
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
