import { GripVertical } from "lucide-react";
import { useState, type DragEvent } from "react";
import type { Page } from "../api/client";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useMove } from "./api";
import { mayDrop, type Where } from "./moves";

export interface Drag {
  over: { page: number; where: Where } | null;
  begin: (page: Page) => void;
  end: () => void;
  rowEvents: (page: Page) => {
    onDragOver: (event: DragEvent) => void;
    onDragLeave: () => void;
    onDrop: (event: DragEvent) => void;
  };
}

/** Where on a row one is: its upper and its lower part lie between rows, its middle is the page itself. */
function whereOn(event: DragEvent): Where {
  const { top, height } = event.currentTarget.getBoundingClientRect();
  const share = (event.clientY - top) / height;
  return share < 0.3 ? "before" : share > 0.7 ? "after" : "into";
}

/** Moving pages by the mouse. By keyboard it is done with pages that are ticked, by the same rules. */
export function useDrag(): Drag {
  const move = useMove(useSite().slug);
  const [moving, setMoving] = useState<Page | null>(null);
  const [over, setOver] = useState<Drag["over"]>(null);
  const end = () => {
    setMoving(null);
    setOver(null);
  };
  return {
    over,
    begin: setMoving,
    end,
    rowEvents: (page) => ({
      onDragOver: (event) => {
        const where = whereOn(event);
        if (!moving || !mayDrop(moving, page, where)) {
          setOver(null);
          return;
        }
        event.preventDefault();
        if (over?.page !== page.id || over.where !== where) setOver({ page: page.id, where });
      },
      onDragLeave: () => setOver(null),
      onDrop: (event) => {
        const where = whereOn(event);
        event.preventDefault();
        if (moving && mayDrop(moving, page, where)) move.mutate(moving.id, { on: page.id, where });
        end();
      },
    }),
  };
}

/** What a page is taken by. */
export function DragHandle({ page, drag }: { page: Page; drag: Drag }) {
  const { t } = useTranslation();
  return (
    <span
      draggable
      title={t("pageActions.drag")}
      className="absolute start-1 top-2.5 cursor-grab p-0.5 text-soft opacity-0 group-hover/row:opacity-100"
      onDragStart={(event) => {
        event.dataTransfer.effectAllowed = "move";
        event.dataTransfer.setData("text/plain", page.shown_title);
        drag.begin(page);
      }}
      onDragEnd={drag.end}
    >
      <GripVertical size={15} aria-hidden />
    </span>
  );
}
