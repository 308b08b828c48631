import { useVirtualizer } from "@tanstack/react-virtual";
import { useCallback, useEffect, useRef, useSyncExternalStore, type KeyboardEvent } from "react";
import { useTranslation } from "../i18n/useTranslation";
import { focusCell, GridRow, TEMPLATE } from "./GridRow";
import { COLUMNS, useGrid, type Grid as GridState, type Rows, type Spot, type Unread } from "./useGrid";
import type { Span } from "./api";

const PAGE = 10;
/** How high a row is where its cells stand side by side: three lines, of which longer ones are cut. */
const ROW = 76;
const WIDE = matchMedia("(min-width: 1024px)");

function useNarrow(): boolean {
  return !useSyncExternalStore(
    (changed) => {
      WIDE.addEventListener("change", changed);
      return () => WIDE.removeEventListener("change", changed);
    },
    () => WIDE.matches,
  );
}

/** Where a key leads; null for one that leads nowhere. */
function led({ at, to }: GridState, event: KeyboardEvent, rows: number, rtl: boolean): Spot | null {
  const from = event.shiftKey ? to : at;
  const [start, end] = rtl ? [1, -1] : [-1, 1];
  const far = event.ctrlKey || event.metaKey;
  const steps: Record<string, Spot> = {
    ArrowUp: { row: far ? 0 : from.row - 1, column: from.column },
    ArrowDown: { row: far ? rows : from.row + 1, column: from.column },
    ArrowLeft: { row: from.row, column: from.column + start },
    ArrowRight: { row: from.row, column: from.column + end },
    Home: { row: far ? 0 : from.row, column: 0 },
    End: { row: far ? rows : from.row, column: COLUMNS.length },
    PageUp: { row: from.row - PAGE, column: from.column },
    PageDown: { row: from.row + PAGE, column: from.column },
  };
  return steps[event.key] ?? null;
}

interface Props {
  rows: Rows;
  readOnly: boolean;
  /** Says which rows are in sight, and which are selected: they have to be read. */
  onShown: (shown: Span, selected: Span) => void;
  /** Says that something was to be done with rows that were not read yet. */
  onUnread: (unread: Unread) => void;
}

/** All pages as a spreadsheet; only the rows in view are drawn. */
export function Grid({ rows, readOnly, onShown, onUnread }: Props) {
  const { t } = useTranslation();
  const grid = useGrid(rows, readOnly, onUnread);
  const box = useRef<HTMLDivElement>(null);
  const narrow = useNarrow();
  // What it gives is asked anew at each rendering, which is what its library needs.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: rows.count,
    getScrollElement: () => box.current,
    estimateSize: () => (narrow ? 260 : ROW),
    overscan: 4,
    getItemKey: (index) => rows.pageAt(index) ?? `row ${String(index)}`,
  });
  const items = virtual.getVirtualItems();
  const [first, last] = [items[0]?.index ?? 0, items.at(-1)?.index ?? 0];
  const [from, until] = [Math.min(grid.at.row, grid.to.row), Math.max(grid.at.row, grid.to.row)];
  useEffect(() => onShown({ first, last }, { first: from, last: until }), [onShown, first, last, from, until]);
  const moved = useRef(false);
  const onMoved = useCallback(() => {
    moved.current = true;
  }, []);
  const { row, column } = grid.editing ? grid.at : grid.to;
  const isEditing = grid.editing !== null;
  const isRead = rows.pageAt(row) !== undefined;
  useEffect(() => {
    if (!moved.current || isEditing) return;
    // A row that was not read yet takes the focus when it is there, if nothing else has it by then.
    const has = document.activeElement;
    if (has && has !== document.body && !box.current?.contains(has)) return;
    virtual.scrollToIndex(row, { align: "auto" });
    // At once, since the next key may be pressed before anything is drawn; a row that was far away is drawn first.
    if (focusCell(box.current, { row, column })) return;
    const timer = requestAnimationFrame(() => focusCell(box.current, { row, column }));
    return () => cancelAnimationFrame(timer);
  }, [row, column, isEditing, isRead, virtual]);

  function onKeyDown(event: KeyboardEvent<HTMLDivElement>) {
    if (grid.editing || event.defaultPrevented || !(event.target instanceof HTMLElement)) return;
    if (event.target.getAttribute("role") !== "gridcell") return;
    const rtl = getComputedStyle(event.currentTarget).direction === "rtl";
    const next = led(grid, event, rows.count, rtl);
    moved.current = true;
    if (next) grid.actions.go(next, event.shiftKey);
    else if (event.key === "Enter" || event.key === "F2") grid.actions.edit();
    else if (event.key === "Delete" || event.key === "Backspace") grid.actions.clear();
    else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) grid.actions.edit(event.key);
    else return;
    event.preventDefault();
  }

  return (
    <div
      ref={box}
      role="grid"
      aria-label={t("titles.grid")}
      aria-rowcount={rows.count + 1}
      aria-colcount={COLUMNS.length + 2}
      aria-multiselectable
      aria-readonly={readOnly}
      className="relative h-[calc(100vh-17rem)] min-h-80 overflow-auto border-t border-ink outline-none"
      onKeyDown={onKeyDown}
      onCopy={(event) => {
        if (grid.editing) return;
        const text = grid.actions.copied();
        if (text !== null) event.clipboardData.setData("text/plain", text);
        event.preventDefault();
      }}
      onPaste={(event) => {
        if (grid.editing) return;
        grid.actions.paste(event.clipboardData.getData("text/plain"));
        event.preventDefault();
      }}
    >
      <div role="rowgroup" className="sticky top-0 z-10 border-b border-line bg-paper text-xs text-soft max-lg:hidden">
        <div role="row" aria-rowindex={1} className={TEMPLATE}>
          {(["page", "shown", ...COLUMNS] as const).map((name) => (
            <span key={name} role="columnheader" className="px-2 py-1.5 first:ps-6">
              {t(`titles.column.${name}`)}
            </span>
          ))}
        </div>
      </div>
      <div role="rowgroup" style={{ height: virtual.getTotalSize() }} className="relative">
        {items.map((item) => {
          const page = rows.pageAt(item.index);
          return page === undefined ? null : (
            <div
              key={item.key}
              // Side by side all rows are of one height; stacked, each is as high as its words.
              ref={narrow ? virtual.measureElement : undefined}
              data-index={item.index}
              className="absolute inset-x-0 top-0 contain-content"
              style={{ transform: `translateY(${String(item.start)}px)`, height: narrow ? undefined : ROW }}
              role="presentation"
            >
              <GridRow
                page={page}
                index={item.index}
                state={grid.ofRow(item.index)}
                actions={grid.actions}
                readOnly={readOnly}
                narrow={narrow}
                onMoved={onMoved}
              />
            </div>
          );
        })}
      </div>
    </div>
  );
}
