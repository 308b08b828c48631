import type { Schemas } from "../api/client";
import { TITLE_FIELDS } from "../api/lists.gen";

export type TitleRow = Schemas["TitleRow"];
export type TitleField = (typeof TITLE_FIELDS)[number];
/** The words of the table, each by its page and its field. */
export type TitleCells = Record<string, string>;

/** As much of the table as was read lately: rows by page, and what else is known of its words. */
export interface TitleTable {
  revision: number;
  /** The pages of the rows, those that were read last at the end. */
  recent: readonly number[];
  rows: Readonly<Record<number, TitleRow>>;
  /** Words of pages that have no row here, by their cells, as a proposal says them. */
  known: Readonly<TitleCells>;
  faults: readonly Schemas["FaultCount"][];
  /** Of how many pages the faults are known so far, and whether that is all of them. */
  lookedOver: number;
  isWhole: boolean;
  cuts: { search: number; tab: number; description: number };
}

/** Of so many rows the words are kept at hand: those in sight, and as many as can be worked on at once. */
const MOST_ROWS = 3_000;

export function cellKey(page: number, field: TitleField): string {
  return `${String(page)}.${field}`;
}

/** All words of the table. */
export function cellValues(table: TitleTable): TitleCells {
  const found: TitleCells = { ...table.known };
  for (const row of Object.values(table.rows)) {
    for (const field of TITLE_FIELDS) found[cellKey(row.id, field)] = row[field];
  }
  return found;
}

/** Cells as the server takes them. */
export function cellsOf(cells: Partial<TitleCells>): Schemas["TitleCell"][] {
  return Object.entries(cells).map(([key, value]) => {
    const [page = "", field = ""] = key.split(".");
    return { page: Number(page), field: field as TitleField, value: value ?? "" };
  });
}

/** A first part of the table. */
export function tableOf(part: Schemas["TitlesOut"]): TitleTable {
  return merged({ ...EMPTY, cuts: { search: 0, tab: 0, description: 0 } }, part);
}

const EMPTY = { revision: 0, recent: [], rows: {}, known: {}, faults: [], lookedOver: 0, isWhole: false };

/** The table with rows read anew, or read for the first time. Those of the cells that are `typed` stay at hand. */
export function merged(table: TitleTable, part: Schemas["TitlesOut"], typed: readonly string[] = []): TitleTable {
  const read = new Map(part.rows.map((row) => [row.id, row]));
  const edited = new Set(typed.map((key) => Number(key.split(".")[0])));
  const all = [...table.recent.filter((id) => !read.has(id)), ...read.keys()];
  const dropped = all.length - MOST_ROWS;
  const recent = dropped > 0 ? all.filter((id, index) => index >= dropped || edited.has(id)) : all;
  const rows: Record<number, TitleRow> = {};
  for (const id of recent) {
    const row = read.get(id) ?? table.rows[id];
    if (row) rows[id] = row;
  }
  const known = { ...table.known };
  for (const id of read.keys()) for (const field of TITLE_FIELDS) Reflect.deleteProperty(known, cellKey(id, field));
  return {
    revision: part.revision,
    recent,
    rows,
    known,
    faults: part.faults,
    lookedOver: part.looked_over,
    isWhole: part.is_whole,
    cuts: { search: part.search_cut, tab: part.tab_cut, description: part.description_cut },
  };
}

/** The table with words of pages that it has no rows of, so that changing them can be taken back. */
export function knowing(table: TitleTable, cells: readonly Schemas["ProposedCell"][]): TitleTable {
  const unread = cells.filter((cell) => !table.rows[cell.page]);
  const said = unread.map((cell) => [cellKey(cell.page, cell.field), cell.was] as const);
  return { ...table, known: { ...table.known, ...Object.fromEntries(said) } };
}
