import { ChevronLeft, ChevronRight, X } from "lucide-react";
import { useRef, useState, type KeyboardEvent } from "react";
import { api, result, type Schemas } from "../api/client";
import { useFact, useFactActions } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import type { DateFact } from "./dates";

type Part = Schemas["PartOut"];

interface Props {
  fact: DateFact;
  parts: Part[];
  more: Part[];
}

interface ChipProps {
  part: Part;
  language: string;
  first: boolean;
  last: boolean;
  dragged: boolean;
  onChange: (change: Partial<Part>) => void;
  onMove: (by: number) => void;
  onRemove: () => void;
  onDrag: () => void;
  onDrop: () => void;
}

function Chip({ part, language, first, last, dragged, onChange, onMove, onRemove, onDrag, onDrop }: ChipProps) {
  const { t } = useTranslation();
  const name = t(`dates.part.${part.kind}`);
  const keys = (event: KeyboardEvent) => {
    if (!event.altKey || !["ArrowLeft", "ArrowRight"].includes(event.key)) return;
    event.preventDefault();
    onMove(event.key === "ArrowLeft" ? -1 : 1);
  };
  return (
    <li
      draggable
      className={`grid cursor-grab gap-1 rounded-md border bg-paper p-1.5 ${dragged ? "border-act" : "border-line"}`}
      onDragStart={onDrag}
      onDragOver={(event) => event.preventDefault()}
      onDrop={onDrop}
      onKeyDown={keys}
    >
      <span className="text-[11px] text-soft">{name}</span>
      {part.kind === "text" ? (
        <input
          type="text"
          aria-label={name}
          value={part.text}
          maxLength={30}
          className="w-14 rounded-sm border border-soft bg-paper px-1 py-0.5 font-code"
          onChange={(event) => onChange({ text: event.target.value })}
        />
      ) : (
        <select
          aria-label={name}
          value={part.pattern}
          lang={language}
          className="max-w-32 rounded-sm border border-soft bg-paper px-1 py-0.5"
          onChange={(event) => onChange({ pattern: event.target.value })}
        >
          {!part.widths.some((width) => width.pattern === part.pattern) && (
            <option value={part.pattern}>{part.pattern}</option>
          )}
          {part.widths.map((width) => (
            <option key={width.pattern} value={width.pattern}>
              {width.example}
            </option>
          ))}
        </select>
      )}
      <span className="flex justify-between">
        <button type="button" disabled={first} aria-label={t("dates.earlier", { name })} onClick={() => onMove(-1)}>
          <ChevronLeft size={14} aria-hidden className={`rtl:rotate-180 ${first ? "text-line" : ""}`} />
        </button>
        <button type="button" aria-label={t("dates.takeOut", { name })} onClick={onRemove}>
          <X size={13} aria-hidden />
        </button>
        <button type="button" disabled={last} aria-label={t("dates.later", { name })} onClick={() => onMove(1)}>
          <ChevronRight size={14} aria-hidden className={`rtl:rotate-180 ${last ? "text-line" : ""}`} />
        </button>
      </span>
    </li>
  );
}

/** The parts of a form, to be moved, changed, taken out and added, by mouse and by keyboard. */
export function DateParts({ fact, parts: read, more }: Props) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const language = useFact("language");
  const [dragged, setDragged] = useState<number | null>(null);
  const [said, setSaid] = useState("");
  const list = useRef<HTMLUListElement>(null);
  // What was done last stands at once: the next step is taken on it, not on what the server last said.
  const [{ parts, from }, setShown] = useState({ parts: read, from: read });
  if (from !== read) setShown({ parts: read, from: read });
  const set = async (next: Part[]) => {
    setShown({ parts: next, from: read });
    const body = { parts: next.map(({ kind, pattern, text }) => ({ kind, pattern, text })) };
    const built = await result<Schemas["PatternOut"]>(api.POST("/api/dates/build", { body })).catch(() => null);
    if (built?.pattern) facts.choose({ [fact]: built.pattern });
  };
  const move = (from: number, to: number) => {
    const part = parts[from];
    if (!part || to < 0 || to >= parts.length) return;
    const next = parts.filter((_, index) => index !== from);
    next.splice(to, 0, part);
    void set(next);
    setSaid(t("dates.moved", { name: t(`dates.part.${part.kind}`), place: to + 1, count: parts.length }));
    const fields = list.current?.querySelectorAll<HTMLElement>("li > select, li > input");
    fields?.[to]?.focus();
  };
  const space: Part = { kind: "text", pattern: "", text: " ", widths: [] };
  return (
    <div className="mt-2">
      <p className="mb-1 text-xs text-soft">{t("dates.partsHint")}</p>
      <ul ref={list} aria-label={t("dates.parts")} className="flex flex-wrap gap-1.5">
        {parts.map((part, at) => (
          <Chip
            key={`${part.kind} ${String(at)}`}
            part={part}
            language={language}
            first={at === 0}
            last={at === parts.length - 1}
            dragged={dragged === at}
            onChange={(change) => void set(parts.map((one, index) => (index === at ? { ...one, ...change } : one)))}
            onMove={(by) => move(at, at + by)}
            onRemove={() => void set(parts.filter((_, index) => index !== at))}
            onDrag={() => setDragged(at)}
            onDrop={() => {
              if (dragged !== null) move(dragged, at);
              setDragged(null);
            }}
          />
        ))}
      </ul>
      <p role="status" className="unseen">
        {said}
      </p>
      <p className="mt-1.5 flex flex-wrap gap-x-3">
        {[...more.filter((one) => !parts.some((part) => part.kind === one.kind)), space].map((part) => (
          <button
            key={part.kind}
            type="button"
            className="act-link text-xs"
            onClick={() => void set(part.kind === "text" ? [...parts, part] : [...parts, space, part])}
          >
            + {t(`dates.part.${part.kind}`)}
          </button>
        ))}
      </p>
    </div>
  );
}
