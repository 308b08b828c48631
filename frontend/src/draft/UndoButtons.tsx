import { Redo2, Undo2 } from "lucide-react";
import { useTranslation } from "../i18n/useTranslation";
import { EarlierChanges } from "./EarlierChanges";
import { useSelect, useStore } from "./hooks";
import { focusField } from "./useUndoKeys";

const BUTTON =
  "inline-flex min-h-8 items-center gap-1.5 rounded-sm px-1 act-link disabled:font-normal disabled:text-soft disabled:no-underline";

/** Undo and redo of what was done since the desk was opened. */
export function UndoRedo() {
  const { t } = useTranslation();
  const store = useStore();
  const { canUndo, canRedo, refused } = useSelect(({ canUndo, canRedo, refused }) => ({ canUndo, canRedo, refused }));
  return (
    <>
      {refused && (
        <span role="alert" className="text-stop">
          {t(`sheet.refused.${refused}`)}
        </span>
      )}
      <button type="button" className={BUTTON} disabled={!canUndo} onClick={() => focusField(store.undo())}>
        <Undo2 size={15} aria-hidden /> {t("sheet.undo")}
      </button>
      <button type="button" className={BUTTON} disabled={!canRedo} onClick={() => focusField(store.redo())}>
        <Redo2 size={15} aria-hidden /> {t("sheet.redo")}
      </button>
    </>
  );
}

/** Undo for whoever has no keyboard at hand; always there, so that nothing moves at the first keystroke. */
export function UndoButtons() {
  return (
    <span className="-my-2 ms-auto flex flex-wrap items-center gap-x-3">
      <UndoRedo />
      <EarlierChanges />
    </span>
  );
}
