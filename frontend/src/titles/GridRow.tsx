import { memo, useRef } from "react";
import { asText } from "../draft/document";
import { useFact, useSelect } from "../draft/hooks";
import { cellKey, type TitleRow, type TitleTable } from "../draft/titles";
import { useTranslation } from "../i18n/useTranslation";
import { COLUMNS, type Actions, type RowState, type Spot } from "./useGrid";
import { WidthBar } from "./WidthBar";

export const TEMPLATE =
  "grid lg:grid-cols-[minmax(9rem,1.2fr)_minmax(15rem,2.2fr)_minmax(10rem,1.5fr)_minmax(9rem,1.4fr)_minmax(12rem,2fr)_minmax(7rem,1fr)]";

/** Gives a cell the focus; says whether it is drawn. */
export function focusCell(box: HTMLElement | null, { row, column }: Spot): boolean {
  const cell = box?.querySelector<HTMLElement>(`[data-row="${String(row)}"][data-column="${String(column)}"]`);
  cell?.focus({ preventScroll: true });
  return !!cell;
}

interface EditingProps {
  text: string;
  initial: string | null;
  spot: Spot;
  actions: Actions;
  label: string;
}

function Editing({ text, initial, spot, actions, label }: EditingProps) {
  const left = useRef(false);
  const language = useFact("language");
  const end = (value: string | null, next: Spot) => {
    left.current = true;
    if (value === null) actions.stop();
    else actions.commit(value);
    actions.go(next);
  };
  return (
    <textarea
      autoFocus
      aria-label={label}
      dir="auto"
      lang={language}
      rows={2}
      defaultValue={initial ?? text}
      className="absolute inset-0 z-10 min-h-full w-full resize-none rounded-sm bg-paper px-2 py-1.5 outline-2 outline-act"
      onFocus={(event) => event.target.setSelectionRange(event.target.value.length, event.target.value.length)}
      onBlur={(event) => {
        if (!left.current) actions.commit(event.target.value);
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

interface CellProps {
  spot: Spot;
  label: string;
  text: string;
  /** What pages say while the cell is empty. */
  standIn: string;
  wrong: string;
  offline: string;
  state: RowState | undefined;
  actions: Actions;
  readOnly: boolean;
  /** Whether the cells of a row stand below each other, each with its name. */
  narrow: boolean;
  onMoved: () => void;
}

function Cell({ spot, label, text, standIn, wrong, offline, state, actions, readOnly, narrow, onMoved }: CellProps) {
  const active = state?.at === spot.column;
  const isEditing = active && state.editing !== undefined;
  return (
    <div
      role="gridcell"
      tabIndex={state?.focus === spot.column ? 0 : -1}
      aria-colindex={spot.column + 3}
      aria-selected={state !== undefined && spot.column >= state.from && spot.column <= state.to}
      aria-invalid={wrong !== ""}
      data-row={spot.row}
      data-column={spot.column}
      className={`relative min-h-9 px-2 py-1.5 outline-offset-[-2px] aria-selected:bg-act-soft max-lg:ps-6 ${readOnly ? "" : "cursor-cell"} ${active ? "outline-2 outline-act" : ""}`}
      onMouseDown={(event) => {
        if (isEditing) return;
        onMoved();
        actions.go(spot, event.shiftKey);
      }}
      onDoubleClick={() => actions.edit()}
    >
      {narrow && <span className="block text-xs text-soft">{label}</span>}
      <span dir="auto" className={`break-words ${wrong ? "lg:line-clamp-1" : "lg:line-clamp-3"}`} title={text}>
        {text || <span className="text-soft">{standIn}</span>}
      </span>
      {offline && <span className="block text-xs text-warn">{offline}</span>}
      {wrong && (
        <span role="alert" className="block text-xs text-stop lg:line-clamp-2" title={wrong}>
          {wrong}
        </span>
      )}
      {isEditing && <Editing text={text} initial={state.editing ?? null} spot={spot} actions={actions} label={label} />}
    </div>
  );
}

function Faults({ row }: { row: TitleRow }) {
  if (!row.faults.length) return null;
  const said = row.faults.map((fault) => fault.message).join(" ");
  return (
    <span className="block text-xs text-warn lg:truncate" title={said}>
      ▲ {said}
    </span>
  );
}

interface RowProps {
  page: number;
  index: number;
  state: RowState | undefined;
  actions: Actions;
  readOnly: boolean;
  /** Whether the cells of a row stand below each other, each with its name. */
  narrow: boolean;
  onMoved: () => void;
}

function Row({ page, index, state, actions, readOnly, narrow, onMoved }: RowProps) {
  const { t } = useTranslation();
  // All of the row at once, as each selection of its own costs time while rows fly by.
  const found = useSelect((store) => {
    const titles = store.titles;
    const kept = titles?.state.meta;
    const keys = COLUMNS.map((field) => cellKey(page, field));
    return [
      kept?.rows[page],
      kept?.cuts,
      ...keys.map((key) => titles?.value(key) ?? ""),
      ...keys.map((key) => titles?.state.errors[key]?.[0]?.message ?? ""),
      ...keys.map((key) => titles?.state.statuses[key] === "offline"),
    ] as const;
  });
  const [row, cuts] = found as unknown as [TitleRow | undefined, TitleTable["cuts"] | undefined];
  const cells = found.slice(2);
  const count = COLUMNS.length;
  if (!row || !cuts) return null;
  return (
    <div role="row" aria-rowindex={index + 2} className={`h-full border-b border-line ${TEMPLATE}`}>
      <div role="rowheader" className="min-w-0 px-2 py-1.5 ps-6 font-code text-xs break-all text-soft lg:line-clamp-3">
        {row.path}
      </div>
      <div role="gridcell" className="min-w-0 px-2 py-1.5 max-lg:ps-6">
        {narrow && <span className="block text-xs text-soft">{t("titles.column.shown")}</span>}
        <b
          dir="auto"
          title={row.shown_title}
          className={`block font-medium break-words ${row.faults.length ? "lg:line-clamp-1" : "lg:line-clamp-2"}`}
        >
          {row.shown_title}
        </b>
        <WidthBar
          width={row.search_width}
          cut={cuts.search}
          tabWidth={row.tab_width}
          tabCut={cuts.tab}
          said={t("titles.width", { width: row.search_width, cut: cuts.search })}
        />
        <Faults row={row} />
      </div>
      {COLUMNS.map((field, column) => (
        <Cell
          key={field}
          spot={{ row: index, column }}
          label={t(`titles.column.${field}`)}
          text={asText(cells[column])}
          standIn={(field === "summary" && row.description) || t(`titles.unset.${field}`)}
          wrong={asText(cells[count + column])}
          offline={cells[2 * count + column] ? t("save.offline") : ""}
          state={state}
          actions={actions}
          readOnly={readOnly}
          narrow={narrow}
          onMoved={onMoved}
        />
      ))}
    </div>
  );
}

const NOTHING: Partial<RowState> = {};

function sameState(one: RowState | undefined, other: RowState | undefined): boolean {
  const [a, b] = [one ?? NOTHING, other ?? NOTHING];
  return (["from", "to", "at", "focus", "editing"] as const).every((key) => Object.is(a[key], b[key]));
}

/**
 * One page: what it is called, what its tab will say and where that is cut, and its words to be edited. It is drawn
 * again only when something of it changed, so that scrolling draws no more than the rows that come into view.
 */
export const GridRow = memo(Row, (before, after) => {
  const { state: one, ...rest } = before;
  const { state: other, ...others } = after;
  return (
    sameState(one, other) && Object.entries(rest).every(([key, value]) => Object.is(value, Reflect.get(others, key)))
  );
});
