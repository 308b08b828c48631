import Papa from "papaparse";

/** Cells on a clipboard as spreadsheets put them there: rows of lines, cells parted by tabs, in quotes where needed. */
const TABS = { delimiter: "\t", quoteChar: '"', escapeChar: '"' } as const;

/** A clipboard's text as rows of cells. What only looks quoted is words. */
export function cellsFrom(text: string): string[][] {
  const source = text.replace(/\r\n?/g, "\n").replace(/\n$/, "");
  if (source === "") return [[""]];
  const { data, errors } = Papa.parse<string[]>(source, { ...TABS, newline: "\n" });
  if (errors.some((one) => one.type === "Quotes")) return source.split("\n").map((line) => line.split("\t"));
  return data;
}

/** Rows of cells as a clipboard's text. */
export function textOf(cells: readonly (readonly string[])[]): string {
  // A row that is one empty cell would be no row.
  const quotes = (value: unknown) => value === "" && cells.every((row) => row.length === 1);
  return Papa.unparse(cells as string[][], { ...TABS, newline: "\n", quotes });
}
