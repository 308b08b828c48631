import { X } from "lucide-react";
import { useRef } from "react";
import { TITLE_FILL_INS } from "../api/lists.gen";
import { useFieldState, useFieldText, useStore } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { joined, moved, pieces, removed, type Piece } from "./pattern";

interface ChipProps {
  piece: Piece & { kind: "fill" };
  readOnly: boolean;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
}

/** A fill-in of a pattern: the arrow keys move it, Delete takes it out. */
function Chip({ piece, readOnly, onMove, onRemove }: ChipProps) {
  const { t } = useTranslation();
  const name = t(`titlePattern.${piece.name}`, `{${piece.name}}`);
  return (
    <span className="inline-flex items-center rounded-full border border-act bg-act-soft text-sm whitespace-nowrap">
      <button
        type="button"
        disabled={readOnly}
        aria-label={t("titlePattern.chip", { name })}
        className="rounded-full py-0.5 ps-2.5 pe-1.5 font-medium"
        onKeyDown={(event) => {
          const forward = getComputedStyle(event.currentTarget).direction === "rtl" ? "ArrowLeft" : "ArrowRight";
          if (event.key === "ArrowLeft" || event.key === "ArrowRight") onMove(event.key === forward ? 1 : -1);
          else if (event.key === "Delete" || event.key === "Backspace") onRemove();
          else return;
          event.preventDefault();
        }}
      >
        {name}
      </button>
      {!readOnly && (
        <button
          type="button"
          tabIndex={-1}
          aria-label={t("titlePattern.remove", { name })}
          className="rounded-full py-1 pe-2 text-soft hover:text-ink"
          onClick={onRemove}
        >
          <X size={12} aria-hidden />
        </button>
      )}
    </span>
  );
}

/** What all titles are made of: fill-ins as chips, in any order, with words between them. */
export function PatternField({ fact, readOnly }: { fact: "title_pattern" | "home_title"; readOnly: boolean }) {
  const { t } = useTranslation();
  const store = useStore();
  const text = useFieldText("facts", fact);
  const { errors } = useFieldState("facts", fact);
  const box = useRef<HTMLDivElement>(null);
  const parts = pieces(text);
  const set = (next: Piece[]) => store.choose("facts", { [fact]: joined(next) });
  const used = parts.flatMap((part) => (part.kind === "fill" ? [part.name] : []));
  const offered = TITLE_FILL_INS.filter(
    (name) => !used.includes(name) && (fact === "title_pattern" || name === "site" || name === "tagline"),
  );
  const focusChip = (name: string) =>
    setTimeout(() => box.current?.querySelector<HTMLElement>(`[data-chip="${name}"] button`)?.focus());
  return (
    <div ref={box} data-field={fact} tabIndex={-1} className="grid gap-2 outline-none">
      <div
        role="group"
        aria-labelledby={`fact-${fact}`}
        aria-describedby={`why-${fact} wrong-${fact}`}
        className={`flex flex-wrap items-center gap-y-1 rounded-md border bg-paper px-2 py-1.5 ${errors.length ? "border-stop" : "border-soft"}`}
      >
        {parts.map((part, at) =>
          part.kind === "fill" ? (
            <span key={`${String(at)} ${part.name}`} data-chip={part.name}>
              <Chip
                piece={part}
                readOnly={readOnly}
                onMove={(by) => {
                  set(moved(parts, at, by));
                  focusChip(part.name);
                }}
                onRemove={() => set(removed(parts, at))}
              />
            </span>
          ) : (
            <input
              key={`${String(at)} text`}
              aria-label={t("titlePattern.words")}
              dir="auto"
              readOnly={readOnly}
              style={{ width: `${String(part.text.length + 1)}ch` }}
              value={part.text}
              className="min-w-3 max-w-full rounded-sm bg-transparent px-0.5 text-center font-code text-sm hover:bg-board focus:bg-board"
              onChange={(event) =>
                store.type(
                  "facts",
                  fact,
                  joined(parts.map((one, index) => (index === at ? { kind: "text", text: event.target.value } : one))),
                )
              }
            />
          ),
        )}
      </div>
      {!readOnly && offered.length > 0 && (
        <p className="flex flex-wrap items-center gap-1.5 text-xs text-soft">
          {t("titlePattern.add")}
          {offered.map((name) => (
            <button
              key={name}
              type="button"
              className="rounded-full border border-line px-2.5 py-1 text-ink hover:border-act"
              onClick={() => {
                set([...parts, { kind: "text", text: used.length ? " – " : "" }, { kind: "fill", name }]);
                focusChip(name);
              }}
            >
              + {t(`titlePattern.${name}`)}
            </button>
          ))}
        </p>
      )}
      {!readOnly && <p className="text-xs text-soft">{t("titlePattern.keys")}</p>}
    </div>
  );
}
