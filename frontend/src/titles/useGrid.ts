import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { TITLE_FIELDS } from "../api/lists.gen";
import { useStore } from "../draft/hooks";
import { cellsFrom, textOf } from "./clipboard";
import { cellKey, type TitleField } from "../draft/titles";
import type { Span } from "./api";

/** A cell by the number of its row and of its column. */
export interface Spot {
  row: number;
  column: number;
}

/** The editable columns, in the order of the table. */
export const COLUMNS: readonly TitleField[] = ["title", "own_title", "summary", "menu_title"];
if (COLUMNS.length !== TITLE_FIELDS.length) throw new Error("each field has a column");

/** The rows of the table: how many, and the page of each; of one that was not read yet none. */
export interface Rows {
  count: number;
  pageAt: (row: number) => number | undefined;
}

/** Rows that something was to be done with before they were read; what is to be done `again` once they are. */
export interface Unread extends Span {
  again: (() => void) | null;
}

/** So many rows can be selected at once. */
const MOST_SELECTED = 2_000;

/** What can be done in the table; the same object for as long as the table stands. */
export interface Actions {
  go: (spot: Spot, extend?: boolean) => void;
  edit: (initial?: string) => void;
  stop: () => void;
  commit: (text: string) => void;
  paste: (text: string) => void;
  clear: () => void;
  /** What is selected, as text; null where not all of it was read yet. */
  copied: () => string | null;
}

export interface Grid {
  at: Spot;
  /** The other end of what is selected; the same cell where only one is. */
  to: Spot;
  editing: { initial: string | null } | null;
  actions: Actions;
  /** As much of the state as a row draws: nothing for rows that nothing is selected in. */
  ofRow: (row: number) => RowState | undefined;
}

/** What is selected in a row, from column to column; where one is, which cell has the focus, what is edited. */
export interface RowState {
  from: number;
  to: number;
  at: number | null;
  focus: number | null;
  editing: string | null | undefined;
}

function between(one: number, other: number): number[] {
  const first = Math.min(one, other);
  return Array.from({ length: Math.abs(one - other) + 1 }, (_, index) => first + index);
}

/** A table of words worked on as a spreadsheet: where one is, what is selected, and what changes of it. */
export function useGrid(rows: Rows, readOnly: boolean, onUnread: (unread: Unread) => void): Grid {
  const store = useStore();
  const [at, setAt] = useState<Spot>({ row: 0, column: 0 });
  const [to, setTo] = useState<Spot>({ row: 0, column: 0 });
  const [editing, setEditing] = useState<Grid["editing"]>(null);
  const now = useRef({ at, to, rows, readOnly, onUnread });
  useEffect(() => {
    now.current = { at, to, rows, readOnly, onUnread };
  }, [at, to, rows, readOnly, onUnread]);

  const key = useCallback(({ row, column }: Spot): string | null => {
    const [page, field] = [now.current.rows.pageAt(row), COLUMNS[column]];
    return page === undefined || !field ? null : cellKey(page, field);
  }, []);

  const actions = useMemo((): Actions => {
    /** Whether all of these rows were read; if not, they are asked for, and nothing is done with a part of them. */
    const areRead = (numbers: number[], again: (() => void) | null) => {
      const inside = numbers.filter((row) => row < now.current.rows.count);
      const unread = inside.some((row) => now.current.rows.pageAt(row) === undefined);
      if (unread) now.current.onUnread({ first: Math.min(...inside), last: Math.max(...inside), again });
      return !unread;
    };
    const put = (cells: [Spot, string][]) => {
      if (now.current.readOnly) return;
      const numbers = cells.map(([{ row }]) => row);
      if (areRead(numbers, () => put(cells))) write(cells);
    };
    const write = (cells: [Spot, string][]) => {
      const values = cells.flatMap(([spot, text]) => {
        const name = key(spot);
        return name === null ? [] : [[name, text.replace(/\s*\n\s*/g, " ").trim()] as const];
      });
      store.choose("titles", Object.fromEntries(values));
    };
    const picked = () => between(now.current.at.row, now.current.to.row);
    const columns = () => between(now.current.at.column, now.current.to.column);
    const selected = () => picked().flatMap((row) => columns().map((column): Spot => ({ row, column })));
    const inside = ({ row, column }: Spot): Spot => ({
      row: Math.max(0, Math.min(row, now.current.rows.count - 1)),
      column: Math.max(0, Math.min(column, COLUMNS.length - 1)),
    });
    return {
      go: (spot, extend = false) => {
        const from = now.current.at.row;
        const wanted = inside(spot);
        // More than can be held at hand is not selected.
        const most = Math.max(from - MOST_SELECTED, Math.min(wanted.row, from + MOST_SELECTED));
        const next = extend ? { ...wanted, row: most } : wanted;
        setTo(next);
        if (!extend) setAt(next);
        setEditing(null);
      },
      edit: (initial) => {
        if (!now.current.readOnly) setEditing({ initial: initial ?? null });
      },
      stop: () => setEditing(null),
      commit: (text) => {
        put([[now.current.at, text]]);
        setEditing(null);
      },
      paste: (text) => {
        const cells = cellsFrom(text);
        const only = cells.length === 1 && cells[0]?.length === 1 ? (cells[0][0] ?? "") : null;
        const [row = 0] = picked();
        const [column = 0] = columns();
        if (only !== null) put(selected().map((spot) => [spot, only]));
        else
          put(
            cells.flatMap((line, down) =>
              line.map((cell, along): [Spot, string] => [{ row: row + down, column: column + along }, cell]),
            ),
          );
      },
      clear: () => put(selected().map((spot) => [spot, ""])),
      copied: () =>
        areRead(picked(), null)
          ? textOf(
              picked().map((row) => columns().map((column) => store.titles?.value(key({ row, column }) ?? "") ?? "")),
            )
          : null,
    };
  }, [store, key]);

  const ofRow = (row: number): RowState | undefined => {
    const inRow = row >= Math.min(at.row, to.row) && row <= Math.max(at.row, to.row);
    if (!inRow) return undefined;
    return {
      from: Math.min(at.column, to.column),
      to: Math.max(at.column, to.column),
      at: at.row === row ? at.column : null,
      focus: to.row === row ? to.column : null,
      editing: editing && at.row === row ? editing.initial : undefined,
    };
  };
  return { at, to, editing, actions, ofRow };
}
