import fc from "fast-check";
import { expect, it } from "vitest";
import { cellsFrom, textOf } from "./clipboard";

it.each([
  ["One", [["One"]]],
  ["One\tTwo\nThree\tFour", [["One", "Two"], ["Three", "Four"]]],
  ["One\r\nTwo\r\n", [["One"], ["Two"]]],
  ['"Two\nlines"\t"say ""hi"""', [["Two\nlines", 'say "hi"']]],
  ["\tx", [["", "x"]]],
  ["", [[""]]],
  ['5" pots', [['5" pots']]],
  ['"Old" bread\tx', [['"Old" bread', "x"]]],
] as [string, string[][]][])("%j from a spreadsheet", (text, cells) => expect(cellsFrom(text)).toEqual(cells)); // prettier-ignore

it("quotes what would else be two cells", () => {
  expect(
    textOf([
      ["One\ntwo", 'say "hi"'],
      ["a\tb", "c"],
    ]),
  ).toBe('"One\ntwo"\t"say ""hi"""\n"a\tb"\tc');
});

const CELL = fc
  .oneof(fc.string({ unit: "grapheme" }), fc.string({ unit: fc.constantFrom('"', "\t", "\n", " ", "a", ",", "'") }))
  .map((text) => text.replace(/\r\n?/g, "\n"));
const BLOCK = fc
  .tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 4 }))
  .chain(([height, width]) =>
    fc.array(fc.array(CELL, { minLength: width, maxLength: width }), { minLength: height, maxLength: height }),
  );

it("gives back any block of cells as it was copied", () => {
  fc.assert(
    fc.property(BLOCK, (cells) => {
      expect(cellsFrom(textOf(cells))).toEqual(cells);
    }),
    {
      numRuns: 500,
      examples: [
        [
          [
            ["a\nb", '"'],
            ["", "x\t"],
          ],
        ],
        [[[""], [""]]],
        [[["", ""]]],
      ],
    },
  );
});
