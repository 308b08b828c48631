// @vitest-environment happy-dom
import { expect, it } from "vitest";
import { nextFrom } from "./api";

it("finds the next part in a Link header", () => {
  expect(nextFrom('</api/sites/q/editions?before=12>; rel="next"')).toBe(12);
  expect(nextFrom('</api/sites/q/editions?before=12>; rel="prev"')).toBeUndefined();
  expect(nextFrom(null)).toBeUndefined();
});
