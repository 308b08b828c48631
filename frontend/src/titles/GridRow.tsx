import { useRef } from "react";
import { useTranslation } from "react-i18next";
import { useFact, useSelect } from "../draft/hooks";
import { cellKey, type TitleField, type TitleRow } from "../draft/titles";
import { COLUMNS, type Grid, type Spot } from "./useGrid";
import { WidthBar } from "./WidthBar";

export const TEMPLATE =
  "grid lg:grid-cols-[minmax(9rem,1.2fr)_minmax(15rem,2.2fr)_minmax(10rem,1.5fr)_minmax(9rem,1.4fr)_minmax(12rem,2fr)_minmax(7rem,1fr)]";

export function focusCell(box: HTMLElement | null, { row, column }: Spot) {
  box
    ?.querySelector<HTMLElement>(`[data-row="${String(row)}"][data-column="${String(column)}"]`)
    ?.focus({ preventScroll: true });
}

interface CellProps {
  spot: Spot;
  page: number;
  field: TitleField;
  /** What pages say while the cell is empty. */
  standIn: string;
  grid: Grid;
  readOnly: boolean;
  onMoved: () => void;
}

function Editing({ text, grid, spot, label }: { text: string; grid: Grid; spot: Spot; label: string }) {
  const left = useRef(false);
  const language = useFact("language");
  const end = (value: string | null, next: Spot) => {
    left.current = true;
    if (value === null) grid.stop();
    else grid.commit(value);
    grid.go(next);
  };
  return (
    <textarea
      autoFocus
      aria-label={label}
      dir="auto"
      lang={language}
      rows={2}
      defaultValue={grid.editing?.initial ?? text}
      className="absolute inset-0 z-10 min-h-full w-full resize-none rounded-sm bg-paper px-2 py-1.5 outline-2 outline-act"
      onFocus={(event) => event.target.setSelectionRange(event.target.value.length, event.target.value.length)}
      onBlur={(event) => {
        if (!left.current) grid.commit(event.target.value);
      }}
      onKeyDown={(event) => {
        const { value } = event.currentTarget;
        if (event.key === "Escape") end(null, spot);
        else if (event.key === "Enter" && !event.nativeEvent.isComposing)
          end(value, { ...spot, row: spot.row + (event.shiftKey ? -1 : 1) });
        else if (event.key === "Tab") end(value, { ...spot, column: spot.column + (event.shiftKey ? -1 : 1) });
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    />
  );
}

function Cell({ spot, page, field, standIn, grid, readOnly, onMoved }: CellProps) {
  const { t } = useTranslation();
  const key = cellKey(page, field);
  const { text, wrong, status } = useSelect((store) => {
    const titles = store.titles;
    return {
      text: String(titles?.value(key) ?? ""),
      wrong: titles?.state.errors[key]?.[0]?.message ?? "",
      status: titles?.state.statuses[key],
    };
  });
  const active = grid.at.row === spot.row && grid.at.column === spot.column;
  const focused = grid.to.row === spot.row && grid.to.column === spot.column;
  const label = t(`titles.column.${field}`);
  return (
    <div
      role="gridcell"
      tabIndex={focused ? 0 : -1}
      aria-colindex={spot.column + 3}
      aria-selected={grid.isSelected(spot)}
      aria-invalid={wrong !== ""}
      data-row={spot.row}
      data-column={spot.column}
      className={`relative min-h-9 px-2 py-1.5 outline-offset-[-2px] aria-selected:bg-act-soft ${readOnly ? "" : "cursor-cell"} ${active ? "outline-2 outline-act" : ""}`}
      onMouseDown={(event) => {
        if (grid.editing && active) return;
        onMoved();
        grid.go(spot, event.shiftKey);
      }}
      onDoubleClick={() => grid.edit()}
    >
      <span className="block text-xs text-soft lg:hidden">{label}</span>
      <span dir="auto" className="break-words">
        {text || <span className="text-soft">{standIn || t(`titles.unset.${field}`)}</span>}
      </span>
      {status === "offline" && <span className="block text-xs text-warn">{t("save.offline")}</span>}
      {wrong && (
        <span role="alert" className="block text-xs text-stop">
          {wrong}
        </span>
      )}
      {grid.editing && active && <Editing text={text} grid={grid} spot={spot} label={label} />}
    </div>
  );
}

function Faults({ row }: { row: TitleRow }) {
  return row.faults.map((fault) => (
    <span key={fault.kind} className="block text-xs text-warn">
      ▲ {fault.message}
    </span>
  ));
}

interface RowProps {
  page: number;
  index: number;
  grid: Grid;
  readOnly: boolean;
  onMoved: () => void;
}

/** One page: what it is called, what its tab will say and where that is cut, and its words to be edited. */
export function GridRow({ page, index, grid, readOnly, onMoved }: RowProps) {
  const { t } = useTranslation();
  const row = useSelect((store) => store.titles?.state.meta.rows[page]);
  const cuts = useSelect((store) => store.titles?.state.meta.cuts);
  if (!row || !cuts) return null;
  return (
    <div role="row" aria-rowindex={index + 2} className={`border-b border-line ${TEMPLATE}`}>
      <div role="rowheader" className="min-w-0 px-2 py-1.5 ps-6 font-code text-xs break-all text-soft">
        {row.path}
      </div>
      <div role="gridcell" className="min-w-0 px-2 py-1.5 max-lg:ps-6">
        <span className="block text-xs text-soft lg:hidden">{t("titles.column.shown")}</span>
        <b dir="auto" className="font-medium break-words">
          {row.shown_title}
        </b>
        <WidthBar width={row.search_width} cut={cuts.search} tabWidth={row.tab_width} tabCut={cuts.tab} />
        <Faults row={row} />
      </div>
      {COLUMNS.map((field, column) => (
        <Cell
          key={field}
          spot={{ row: index, column }}
          page={page}
          field={field}
          standIn={field === "summary" ? row.description : ""}
          grid={grid}
          readOnly={readOnly}
          onMoved={onMoved}
        />
      ))}
    </div>
  );
}
