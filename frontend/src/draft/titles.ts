import type { Schemas } from "../api/client";
import { TITLE_FIELDS } from "../api/lists.gen";

export type TitleRow = Schemas["TitleRow"];
export type TitleField = (typeof TITLE_FIELDS)[number];
/** The words of the table, each by its page and its field. */
export type TitleCells = Record<string, string>;

/** As much of the table as was read: rows by page, and the pages in their order. */
export interface TitleTable {
  revision: number;
  count: number;
  order: readonly number[];
  rows: Readonly<Record<number, TitleRow>>;
  faults: readonly Schemas["FaultCount"][];
  cuts: { search: number; tab: number; description: number };
}

export function cellKey(page: number, field: TitleField): string {
  return `${String(page)}.${field}`;
}

/** All words of the table. */
export function cellValues(table: TitleTable): TitleCells {
  const found: TitleCells = {};
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
  return merged({ revision: 0, count: 0, order: [], rows: {}, faults: [], cuts: cutsOf(part) }, part, true);
}

function cutsOf(part: Schemas["TitlesOut"]): TitleTable["cuts"] {
  return { search: part.search_cut, tab: part.tab_cut, description: part.description_cut };
}

/** The table with a part of it read anew; `further`: the part follows what was read before. */
export function merged(table: TitleTable, part: Schemas["TitlesOut"], further = false): TitleTable {
  const rows = { ...table.rows };
  for (const row of part.rows) rows[row.id] = row;
  const order = further ? [...new Set([...table.order, ...part.rows.map((row) => row.id)])] : table.order;
  return { ...table, revision: part.revision, count: part.count, order, rows, faults: part.faults };
}
