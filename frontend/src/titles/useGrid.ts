import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { TITLE_FIELDS } from "../api/lists.gen";
import { useStore } from "../draft/hooks";
import { cellsFrom, textOf } from "./clipboard";
import { cellKey, type TitleField } from "../draft/titles";

/** A cell by the number of its row and of its column. */
export interface Spot {
  row: number;
  column: number;
}

/** The editable columns, in the order of the table. */
export const COLUMNS: readonly TitleField[] = ["title", "own_title", "summary", "menu_title"];
if (COLUMNS.length !== TITLE_FIELDS.length) throw new Error("each field has a column");

/** What can be done in the table; the same object for as long as the table stands. */
export interface Actions {
  go: (spot: Spot, extend?: boolean) => void;
  edit: (initial?: string) => void;
  stop: () => void;
  commit: (text: string) => void;
  paste: (text: string) => void;
  clear: () => void;
  copied: () => string;
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
export function useGrid(pages: readonly number[], readOnly: boolean): Grid {
  const store = useStore();
  const [at, setAt] = useState<Spot>({ row: 0, column: 0 });
  const [to, setTo] = useState<Spot>({ row: 0, column: 0 });
  const [editing, setEditing] = useState<Grid["editing"]>(null);
  const now = useRef({ at, to, pages, readOnly });
  useEffect(() => {
    now.current = { at, to, pages, readOnly };
  }, [at, to, pages, readOnly]);

  const key = useCallback(({ row, column }: Spot): string | null => {
    const [page, field] = [now.current.pages[row], COLUMNS[column]];
    return page === undefined || !field ? null : cellKey(page, field);
  }, []);

  const actions = useMemo((): Actions => {
    const put = (cells: [Spot, string][]) => {
      if (now.current.readOnly) return;
      const values = cells.flatMap(([spot, text]) => {
        const name = key(spot);
        return name === null ? [] : [[name, text.replace(/\s*\n\s*/g, " ").trim()] as const];
      });
      store.choose("titles", Object.fromEntries(values));
    };
    const rows = () => between(now.current.at.row, now.current.to.row);
    const columns = () => between(now.current.at.column, now.current.to.column);
    const selected = () => rows().flatMap((row) => columns().map((column): Spot => ({ row, column })));
    const inside = ({ row, column }: Spot): Spot => ({
      row: Math.max(0, Math.min(row, now.current.pages.length - 1)),
      column: Math.max(0, Math.min(column, COLUMNS.length - 1)),
    });
    return {
      go: (spot, extend = false) => {
        const next = inside(spot);
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
        const [row = 0] = rows();
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
        textOf(rows().map((row) => columns().map((column) => store.titles?.value(key({ row, column }) ?? "") ?? ""))),
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
