import { ArrowDown, ArrowUp, CornerDownRight, CornerLeftUp } from "lucide-react";
import type { PageFull } from "../api/client";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useMove } from "./api";

const ICONS = { up: ArrowUp, down: ArrowDown, into: CornerDownRight, out: CornerLeftUp };

/** The steps that a page can take within the tree. */
export function Steps({ page }: { page: PageFull }) {
  const { t } = useTranslation();
  const move = useMove(useSite().slug);
  return (
    <>
      <div role="group" aria-label={t("pageActions.move")} className="flex flex-wrap items-center gap-1">
        {(["up", "down", "into", "out"] as const).map((way) => {
          const Icon = ICONS[way];
          const leads = page.steps[way];
          return (
            <button
              key={way}
              type="button"
              aria-label={t(`pageActions.${way}`)}
              title={t(`pageActions.${way}`)}
              // A button that is truly disabled loses the keyboard's place, and moving goes on from it.
              aria-disabled={!leads || move.isPending}
              className="grid size-9 place-items-center rounded-sm text-soft not-aria-disabled:hover:bg-board not-aria-disabled:hover:text-ink aria-disabled:opacity-30 max-sm:size-11"
              onClick={() => leads && !move.isPending && move.mutate(page.id, { way })}
            >
              <Icon size={16} aria-hidden className="rtl:-scale-x-100" />
            </button>
          );
        })}
      </div>
      <ErrorNotice error={move.error} />
    </>
  );
}
