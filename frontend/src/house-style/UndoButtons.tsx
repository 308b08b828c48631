import { Redo2, Undo2 } from "lucide-react";
import { useTranslation } from "react-i18next";
import { useKeeper } from "./KeeperProvider";
import { focusFact } from "./useUndoKeys";

const LOOK = "inline-flex min-h-8 items-center gap-1.5 rounded-sm px-1 act-link disabled:font-normal disabled:text-soft disabled:no-underline";

/** Undo and redo for whoever has no keyboard at hand; always there, so that nothing moves at the first keystroke. */
export function UndoButtons() {
  const { t } = useTranslation();
  const { keeper, state } = useKeeper();
  return (
    <span className="-my-2 ms-auto flex gap-3">
      <button type="button" className={LOOK} disabled={!state.canUndo} onClick={() => focusFact(keeper.undo())}>
        <Undo2 size={15} aria-hidden /> {t("sheet.takeBack")}
      </button>
      <button type="button" className={LOOK} disabled={!state.canRedo} onClick={() => focusFact(keeper.redo())}>
        <Redo2 size={15} aria-hidden /> {t("sheet.makeAgain")}
      </button>
    </span>
  );
}
