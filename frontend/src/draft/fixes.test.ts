import { expect, it } from "vitest";
import { fixOf } from "./fixes";

const error = (start: number, end: number, fix: string | null) => ({
  field: "f",
  code: "c",
  message: "",
  start,
  end,
  fix,
});

it("puts the fix where the server pointed, counting code points of the tidied text", () => {
  expect(fixOf("  🌱 {yaer} x ", error(2, 8, "{year}"))).toEqual({ wrong: "{yaer}", fixed: "🌱 {year} x" });
  expect(fixOf("ab", error(0, 1, null))).toEqual({ wrong: "a", fixed: null });
  expect(fixOf("ab", { field: "f", code: "c", message: "" })).toBeNull();
});
