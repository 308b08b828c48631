import { useCombobox } from "downshift";
import { useEffect, useId } from "react";
import type { FieldError } from "../api/problem";
import { useTranslation } from "../i18n/useTranslation";

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
  errors?: FieldError[];
  disabled?: boolean;
  onType: (text: string) => void;
  onChoose: (value: T) => void;
}

/** A field with proposals below it: the ARIA combobox pattern, by downshift. What it holds is whatever `typed` says. */
export function Combobox<T>({
  label,
  hideLabel,
  hint,
  typed,
  options,
  errors = [],
  disabled,
  onType,
  onChoose,
}: Props<T>) {
  const id = useId();
  const { t } = useTranslation();
  const box = useCombobox<Option<T>>({
    id,
    items: options,
    inputValue: typed,
    selectedItem: null,
    defaultHighlightedIndex: 0,
    itemToString: (option) => option?.title ?? "",
    itemToKey: (option) => option?.key,
    onSelectedItemChange: ({ selectedItem }) => selectedItem && onChoose(selectedItem.value),
    // Only what is typed counts: choosing, or leaving the field, says by itself what it holds then.
    stateReducer: (state, { type, changes }) =>
      type === useCombobox.stateChangeTypes.InputChange ? changes : { ...changes, inputValue: state.inputValue },
  });
  const shown = box.isOpen && options.length > 0;
  // Proposals that come after the last letter: Enter takes the first one of them, too.
  const { highlightedIndex, setHighlightedIndex } = box;
  useEffect(() => {
    if (shown && highlightedIndex < 0) setHighlightedIndex(0);
  }, [shown, highlightedIndex, setHighlightedIndex]);
  return (
    <div className="relative grid gap-1">
      <label {...box.getLabelProps()} className={hideLabel ? "unseen" : "font-semibold"}>
        {label}
      </label>
      <input
        {...box.getInputProps({
          disabled: disabled ?? false,
          // At once, or the caret would jump to the end of a text that comes back a moment later.
          onChange: (event) => onType(event.currentTarget.value),
        })}
        aria-expanded={shown}
        aria-invalid={errors.length > 0}
        aria-describedby={`${id}-hint`}
        placeholder={hideLabel ? label : undefined}
        className="min-h-10 w-full rounded-md border border-soft bg-paper px-3 py-2 text-[15px] placeholder:text-soft aria-invalid:border-stop disabled:opacity-60"
      />
      <ul
        {...box.getMenuProps({ "aria-label": t("combobox.list", { label }) })}
        hidden={!shown}
        className="absolute top-full z-20 mt-1 max-h-72 w-full overflow-auto rounded-md border border-line bg-paper p-1 shadow-lg"
      >
        {shown &&
          options.map((option, index) => (
            <li
              key={option.key}
              {...box.getItemProps({ item: option, index })}
              className="flex cursor-pointer justify-between gap-4 rounded-sm px-2 py-2 aria-selected:bg-board"
            >
              <span>{option.title}</span>
              <span className="text-soft">{option.more}</span>
            </li>
          ))}
      </ul>
      <p id={`${id}-hint`} className={errors.length ? "text-stop" : "text-xs text-soft"}>
        {errors.length ? errors.map((error) => error.message).join(" ") : hint}
      </p>
    </div>
  );
}
