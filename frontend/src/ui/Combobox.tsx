import { useId, useState, type KeyboardEvent } from "react";
import { useTranslation } from "react-i18next";
import type { Spot } from "../api/problem";

export interface Option<T> {
  key: string;
  title: string;
  more: string;
  value: T;
}

interface Props<T> {
  label: string;
  hideLabel?: boolean;
  hint?: string;
  typed: string;
  options: Option<T>[];
  errors?: Spot[];
  disabled?: boolean;
  onType: (text: string) => void;
  onChoose: (value: T) => void;
}

/** A field with proposals below it, after the ARIA combobox pattern (list autocomplete, manual selection). */
export function Choice<T>({ label, hideLabel, hint, typed, options, errors = [], disabled, onType, onChoose }: Props<T>) {
  const id = useId();
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const [at, setAt] = useState(0);
  const shown = open && options.length > 0;
  const current = Math.min(at, options.length - 1);

  function choose(option: Option<T> | undefined) {
    if (!option) return;
    onChoose(option.value);
    setOpen(false);
  }

  function onKey(event: KeyboardEvent) {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) {
      event.preventDefault();
      setOpen(true);
      setAt(shown ? (current + step + options.length) % options.length : 0);
    } else if (event.key === "Enter" && shown) {
      event.preventDefault();
      choose(options[current]);
    } else if (event.key === "Escape" && shown) {
      event.stopPropagation();
      setOpen(false);
    }
  }

  return (
    <div className="relative grid gap-1">
      <label htmlFor={id} className={hideLabel ? "unseen" : "font-semibold"}>
        {label}
      </label>
      <input
        id={id}
        role="combobox"
        autoComplete="off"
        aria-expanded={shown}
        aria-controls={`${id}-list`}
        aria-autocomplete="list"
        {...(shown ? { "aria-activedescendant": `${id}-${current}` } : {})}
        aria-invalid={errors.length > 0}
        aria-describedby={`${id}-hint`}
        disabled={disabled}
        value={typed}
        placeholder={hideLabel ? label : undefined}
        className="min-h-10 w-full rounded-md border border-soft bg-paper px-3 py-2 text-[15px] placeholder:text-soft aria-invalid:border-stop disabled:opacity-60"
        onChange={(event) => {
          setOpen(true);
          setAt(0);
          onType(event.target.value);
        }}
        onKeyDown={onKey}
        onBlur={() => setOpen(false)}
      />
      <ul
        id={`${id}-list`}
        role="listbox"
        aria-label={t("choice.list", { label })}
        hidden={!shown}
        className="absolute top-full z-20 mt-1 max-h-72 w-full overflow-auto rounded-md border border-line bg-paper p-1 shadow-lg"
      >
        {options.map((option, index) => (
          <li
            key={option.key}
            id={`${id}-${index}`}
            role="option"
            aria-selected={index === current}
            className="flex cursor-pointer justify-between gap-4 rounded-sm px-2 py-2 aria-selected:bg-board"
            // Before the field loses focus, or the list would be gone at the click.
            onMouseDown={(event) => {
              event.preventDefault();
              choose(option);
            }}
          >
            <span>{option.title}</span>
            <span className="text-soft">{option.more}</span>
          </li>
        ))}
      </ul>
      <p id={`${id}-hint`} className={errors.length ? "text-stop" : "text-xs text-soft"}>
        {errors.length ? errors.map((spot) => spot.message).join(" ") : hint}
      </p>
    </div>
  );
}
