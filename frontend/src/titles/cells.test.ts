import { expect, it } from "vitest";
import { cellsFrom } from "./useGrid";

it.each([
  ["One", [["One"]]],
  ["One\tTwo\nThree\tFour", [["One", "Two"], ["Three", "Four"]]],
  ["One\r\nTwo\r\n", [["One"], ["Two"]]],
  ['"Two\nlines"\t"say ""hi"""', [["Two\nlines", 'say "hi"']]],
  ["\tx", [["", "x"]]],
  ['5" pots', [['5" pots']]],
] as [string, string[][]][])("%j from a spreadsheet", (text, cells) => expect(cellsFrom(text)).toEqual(cells)); // prettier-ignore
