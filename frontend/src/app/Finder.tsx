import { useCombobox } from "downshift";
import { Dialog } from "radix-ui";
import { useId, useRef } from "react";
import { useTranslation } from "../i18n/useTranslation";
import { found, type Entry } from "./entries";

interface Props {
  entries: Entry[];
  typed: string;
  onType: (typed: string) => void;
  /** Called when the field has the focus. */
  onReady: () => void;
  onClose: () => void;
}

/** Finds any fact, page, picture, edition or action by typing: a field with what fits below it. */
export function Finder({ entries, typed, onType, onReady, onClose }: Props) {
  const { t } = useTranslation();
  const chosen = useRef(false);
  const field = useId();
  const shown = found(entries, typed);
  const box = useCombobox<Entry>({
    inputId: field,
    items: shown,
    isOpen: true,
    inputValue: typed,
    selectedItem: null,
    defaultHighlightedIndex: 0,
    initialHighlightedIndex: 0,
    itemToString: (entry) => entry?.title ?? "",
    itemToKey: (entry) => entry?.key,
    onSelectedItemChange: ({ selectedItem }) => {
      if (!selectedItem) return;
      chosen.current = true;
      onClose();
      selectedItem.go();
    },
    stateReducer: (state, { type, changes }) =>
      type === useCombobox.stateChangeTypes.InputChange
        ? { ...changes, highlightedIndex: 0 }
        : { ...changes, inputValue: state.inputValue },
  });
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/30" />
        <Dialog.Content
          aria-describedby={undefined}
          // By itself the focus would also select what was typed before, so that the next letter replaced it.
          onOpenAutoFocus={(event) => {
            event.preventDefault();
            document.getElementById(field)?.focus();
          }}
          // What was chosen takes the focus by itself.
          onCloseAutoFocus={(event) => chosen.current && event.preventDefault()}
          className="fixed inset-x-0 top-0 z-50 mx-auto flex max-h-[82vh] w-[46rem] max-w-full flex-col border border-t-0 border-line bg-paper shadow-xl sm:rounded-b-lg"
        >
          <Dialog.Title className="unseen">{t("finder.title")}</Dialog.Title>
          <label {...box.getLabelProps()} className="unseen">
            {t("finder.label")}
          </label>
          <input
            {...box.getInputProps({
              onChange: (event) => onType(event.currentTarget.value),
              onFocus: onReady,
            })}
            dir="auto"
            placeholder={t("finder.placeholder")}
            className="w-full flex-none border-b border-ink bg-paper px-5 py-4 font-display text-lg outline-none placeholder:text-soft"
          />
          <ul
            {...box.getMenuProps({ "aria-label": t("finder.results") })}
            className="overflow-y-auto overscroll-contain"
          >
            {shown.map((entry, index) => (
              <li
                key={entry.key}
                {...box.getItemProps({ item: entry, index })}
                className="flex cursor-pointer items-baseline gap-4 border-b border-line px-5 py-2 aria-selected:bg-act-soft"
              >
                <span className="min-w-0 flex-1">
                  <span dir="auto" className="font-semibold">
                    {entry.title}
                  </span>
                  {entry.more && (
                    <span dir="auto" className="ms-2 break-words text-soft">
                      {entry.more}
                    </span>
                  )}
                </span>
                <span className="flex-none text-xs text-soft">
                  {[t(`finder.kind.${entry.kind}`), entry.where].filter(Boolean).join(" · ")}
                </span>
              </li>
            ))}
          </ul>
          <p role="status" className="flex-none px-5 py-2.5 text-xs text-soft">
            {shown.length ? t("finder.keys") : t("finder.none", { typed })}
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
