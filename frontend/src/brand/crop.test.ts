import { expect, it } from "vitest";
import { percent, shares } from "./crop";

it("keeps a crop within the picture", () => {
  expect(percent([-0.1, 0.2, 0.5, 1.4])).toEqual({ unit: "%", x: 0, y: 20, width: 50, height: 80 });
});

it("gives shares back as they came", () => {
  expect(shares(percent([0.1, 0.2, 0.4, 0.8]))).toEqual([0.1, 0.2, 0.4, 0.8]);
});
