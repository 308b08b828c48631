import { expect, it } from "vitest";
import { depths } from "./model";

it("tells how deep a page stands, and takes a missing parent for the top", () => {
  const deep = depths([
    { id: 1, parent: null },
    { id: 2, parent: 1 },
    { id: 3, parent: 2 },
    { id: 4, parent: 99 },
  ]);
  expect([...deep.values()]).toEqual([0, 1, 2, 0]);
});
