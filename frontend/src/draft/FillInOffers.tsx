import type { RefObject } from "react";
import { useTranslation } from "../i18n/useTranslation";
import type { useFillIns } from "./useFillIns";

interface Props {
  fills: ReturnType<typeof useFillIns>;
  field: RefObject<HTMLTextAreaElement | null>;
}

/** The fill-ins that are offered below a text, each with what it means. */
export function FillInOffers({ fills, field }: Props) {
  const { t } = useTranslation();
  if (fills.offered.length === 0) return null;
  return (
    <ul
      id={fills.id}
      role="listbox"
      aria-label={t("editor.fillIns")}
      className="absolute start-0 top-full z-20 mt-1 max-w-full min-w-64 overflow-hidden rounded-md border border-line bg-paper p-1 text-[13px] font-normal shadow-lg"
    >
      {fills.offered.map((one, index) => (
        <li
          key={one.text}
          id={`${fills.id}-${String(index)}`}
          role="option"
          aria-selected={index === fills.at}
          className="flex min-h-8 cursor-pointer items-center justify-between gap-4 rounded-sm px-2 aria-selected:bg-board max-sm:min-h-11"
          // The text keeps the focus, and so its place.
          onPointerDown={(event) => event.preventDefault()}
          onClick={() => field.current && fills.take(field.current, one)}
        >
          <span className="font-code">{`{${one.text}}`}</span>
          <span className="text-soft">{t(`fillIn.${one.name}`)}</span>
        </li>
      ))}
    </ul>
  );
}
