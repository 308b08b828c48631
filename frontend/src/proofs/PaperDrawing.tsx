import type { DrawingProps } from "./drawing";
import { HighlightedText } from "./HighlightedText";
import { lineOf, pictureOf } from "./model";

/** A printed page. Paper is white in the dark, too; its margins are the printing program's. */
export function PaperDrawing({ proof, fact, large }: DrawingProps) {
  const picture = pictureOf(proof, "logo") ?? pictureOf(proof, "icon");
  const small = large ? "text-xs" : "text-[8px]";
  return (
    <div
      dir="auto"
      className={`grid grid-rows-[auto_1fr_auto] border border-line bg-white text-black shadow-sm ${large ? "min-h-[36rem] w-full max-w-[34rem] gap-6 p-10" : "min-h-[190px] w-[224px] gap-2 p-3.5"}`}
    >
      <div className="grid gap-2">
        <p className={`truncate text-center ${small} text-neutral-600`}>
          <HighlightedText line={lineOf(proof, "title")} fact={fact} />
        </p>
        <p
          className={`flex items-center gap-2 border-b border-neutral-400 pb-1 ${large ? "text-base" : "text-[10px]"}`}
        >
          {picture && <img src={picture.src} alt="" className={large ? "max-h-9 max-w-40" : "max-h-4 max-w-20"} />}
          <b className="min-w-0 font-semibold break-words">
            <HighlightedText line={lineOf(proof, "head")} fact={fact} />
          </b>
        </p>
      </div>
      <div className="min-w-0">
        <b className={`block font-semibold break-words ${large ? "text-2xl" : "text-[13px] leading-snug"}`}>
          {lineOf(proof, "heading").text}
        </b>
        <p className={`break-words ${large ? "text-base" : "line-clamp-5 text-[9px] leading-snug"}`}>
          {lineOf(proof, "text").text}
        </p>
      </div>
      <div className={`${small} grid gap-1 leading-snug`}>
        <p className="border-t border-neutral-400 pt-1 break-words">
          <HighlightedText line={lineOf(proof, "foot")} fact={fact} />
        </p>
        <p dir="ltr" className="truncate text-center text-neutral-600">
          {lineOf(proof, "address").text}
        </p>
      </div>
    </div>
  );
}
