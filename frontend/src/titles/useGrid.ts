import { useCallback, useState } from "react";
import { TITLE_FIELDS } from "../api/facts.gen";
import { useStore } from "../draft/hooks";
import { cellKey, type TitleField } from "../draft/titles";

/** A cell by the number of its row and of its column. */
export interface Spot {
  row: number;
  column: number;
}

/** The editable columns, in the order of the table. */
export const COLUMNS: readonly TitleField[] = ["title", "own_title", "summary", "menu_title"];
if (COLUMNS.length !== TITLE_FIELDS.length) throw new Error("each field has a column");

export interface Grid {
  at: Spot;
  /** The other end of what is selected; the same cell where only one is. */
  to: Spot;
  editing: { initial: string | null } | null;
  go: (spot: Spot, extend?: boolean) => void;
  edit: (initial?: string) => void;
  stop: () => void;
  commit: (text: string) => void;
  paste: (text: string) => void;
  clear: () => void;
  copied: () => string;
  isSelected: (spot: Spot) => boolean;
}

function between(one: number, other: number): number[] {
  const first = Math.min(one, other);
  return Array.from({ length: Math.abs(one - other) + 1 }, (_, index) => first + index);
}

/** A clipboard's text as rows of cells: as spreadsheets put it there, parted by tabs, cells with breaks in quotes. */
export function cellsFrom(text: string): string[][] {
  const rows: string[][] = [[]];
  let cell = "";
  let quoted = false;
  const source = text.replace(/\r\n?/g, "\n").replace(/\n$/, "");
  const end = () => {
    rows.at(-1)?.push(cell);
    cell = "";
  };
  for (let at = 0; at < source.length; at += 1) {
    const letter = source[at] ?? "";
    if (quoted && letter === '"' && source[at + 1] === '"') {
      cell += '"';
      at += 1;
    } else if (letter === '"' && (quoted || cell === "")) quoted = !quoted;
    else if (!quoted && letter === "\t") end();
    else if (!quoted && letter === "\n") {
      end();
      rows.push([]);
    } else cell += letter;
  }
  end();
  return rows;
}

/** A table of words worked on as a spreadsheet: where one is, what is selected, and what changes of it. */
export function useGrid(pages: readonly number[], readOnly: boolean): Grid {
  const store = useStore();
  const [at, setAt] = useState<Spot>({ row: 0, column: 0 });
  const [to, setTo] = useState<Spot>({ row: 0, column: 0 });
  const [editing, setEditing] = useState<Grid["editing"]>(null);
  const inside = useCallback(
    ({ row, column }: Spot): Spot => ({
      row: Math.max(0, Math.min(row, pages.length - 1)),
      column: Math.max(0, Math.min(column, COLUMNS.length - 1)),
    }),
    [pages.length],
  );
  const go = useCallback(
    (spot: Spot, extend = false) => {
      const next = inside(spot);
      setTo(next);
      if (!extend) setAt(next);
      setEditing(null);
    },
    [inside],
  );
  const key = ({ row, column }: Spot): string | null => {
    const [page, field] = [pages[row], COLUMNS[column]];
    return page === undefined || !field ? null : cellKey(page, field);
  };
  const put = (cells: [Spot, string][]) => {
    if (readOnly) return;
    const values = cells.flatMap(([spot, text]) => {
      const name = key(spot);
      return name === null ? [] : [[name, text.replace(/\s*\n\s*/g, " ").trim()] as const];
    });
    store.choose("titles", Object.fromEntries(values));
  };
  const selected = (): Spot[] =>
    between(at.row, to.row).flatMap((row) => between(at.column, to.column).map((column) => ({ row, column })));
  return {
    at,
    to,
    editing,
    go,
    edit: (initial) => {
      if (!readOnly) setEditing({ initial: initial ?? null });
    },
    stop: () => setEditing(null),
    commit: (text) => {
      put([[at, text]]);
      setEditing(null);
    },
    paste: (text) => {
      const cells = cellsFrom(text);
      const only = cells.length === 1 && cells[0]?.length === 1 ? (cells[0][0] ?? "") : null;
      const spots = selected();
      const start = { row: Math.min(at.row, to.row), column: Math.min(at.column, to.column) };
      if (only !== null) put(spots.map((spot) => [spot, only]));
      else
        put(
          cells.flatMap((row, down) =>
            row.map((cell, along): [Spot, string] => [{ row: start.row + down, column: start.column + along }, cell]),
          ),
        );
    },
    clear: () => put(selected().map((spot) => [spot, ""])),
    copied: () => {
      const titles = store.titles;
      return between(at.row, to.row)
        .map((row) =>
          between(at.column, to.column)
            .map((column) => String(titles?.value(key({ row, column }) ?? "") ?? ""))
            .join("\t"),
        )
        .join("\n");
    },
    isSelected: ({ row, column }) =>
      row >= Math.min(at.row, to.row) &&
      row <= Math.max(at.row, to.row) &&
      column >= Math.min(at.column, to.column) &&
      column <= Math.max(at.column, to.column),
  };
}
