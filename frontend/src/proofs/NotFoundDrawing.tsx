import type { DrawingProps } from "./drawing";
import { HighlightedText } from "./HighlightedText";
import { lineOf } from "./model";

/** The page that a visitor gets at an address that leads nowhere. */
export function NotFoundDrawing({ proof, fact, iconUrl, large }: DrawingProps) {
  return (
    <div
      dir="auto"
      className={`proof grid gap-2 ${large ? "w-full p-6 text-base" : "w-[224px] px-3 py-2.5 text-[11px]"}`}
    >
      <p className="flex items-center gap-2 border-b border-line pb-1.5">
        <img src={iconUrl} alt="" width={large ? 32 : 16} height={large ? 32 : 16} className="flex-none" />
        <b className="min-w-0 truncate font-semibold">
          <HighlightedText line={lineOf(proof, "name")} fact={fact} />
        </b>
      </p>
      <b className={`block font-semibold break-words ${large ? "text-2xl" : "text-[13px] leading-snug"}`}>
        {lineOf(proof, "heading").text}
      </b>
      <p className={`text-soft ${large ? "" : "line-clamp-3 leading-snug"}`}>
        <HighlightedText line={lineOf(proof, "text")} fact={fact} />
      </p>
      <p className="border-t border-line pt-1.5 text-soft">
        <HighlightedText line={lineOf(proof, "foot")} fact={fact} />
      </p>
    </div>
  );
}
