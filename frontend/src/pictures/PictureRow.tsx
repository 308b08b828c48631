import { useRef, useState } from "react";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { useComesIntoView } from "../ui/named";
import type { Picture } from "./api";
import { PictureEditor } from "./PictureEditor";

/** One picture: what it is, where it is used; opened, its words and what can be done with it. */
export function PictureRow({ picture, mayEdit, named }: { picture: Picture; mayEdit: boolean; named: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [open, setOpen] = useState(named);
  const row = useRef<HTMLLIElement>(null);
  useComesIntoView(row, named);
  return (
    <li ref={row} className="border-b border-line px-6 py-3">
      <div className="flex items-start gap-4">
        <button
          type="button"
          aria-expanded={open}
          aria-label={t("pictures.open", { name: picture.name })}
          onClick={() => setOpen(!open)}
          className="checker grid size-18 flex-none place-items-center rounded-md border border-line"
        >
          <img src={picture.thumbnail} alt="" className="max-h-16 max-w-16 object-contain" />
        </button>
        <div className="min-w-0 flex-1">
          <h2 className="text-[15px] font-semibold break-words">
            <button type="button" className="text-start hover:underline" onClick={() => setOpen(!open)} tabIndex={-1}>
              {picture.title || picture.name}
            </button>
          </h2>
          <p className="text-xs text-soft">
            {picture.title && <span className="break-all">{picture.name} · </span>}
            {t("pictures.size", {
              width: picture.width,
              height: picture.height,
              kind: picture.came_as.toUpperCase(),
              size: format.bytes(picture.size),
            })}{" "}
            · {format.day(picture.created)}
          </p>
          <p dir="auto" className={`mt-0.5 ${picture.description ? "" : "text-warn"}`}>
            {picture.description || `▲ ${t("pictures.missing")}`}
          </p>
        </div>
        <p className="flex-none text-xs text-soft max-sm:hidden">
          {picture.uses.length
            ? t("pictures.used", { count: picture.uses.length })
            : picture.edition
              ? t("pictures.inEdition", { number: picture.edition })
              : t("pictures.usedNowhere")}
        </p>
      </div>
      {open && <PictureEditor picture={picture} mayEdit={mayEdit} />}
    </li>
  );
}
