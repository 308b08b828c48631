import { useSettled } from "../ui/useSettled";
import type { DrawingProps } from "./drawing";
import { HighlightedText } from "./HighlightedText";
import { lineOf, pictureOf } from "./model";

/** A page's address as it is shared: picture, title, where from. */
export function ShareDrawing({ proof, fact, large }: DrawingProps) {
  const picture = pictureOf(proof, "share");
  // The picture is composed anew for every other name; while one is being typed, it waits for a pause.
  const src = useSettled(picture?.src, 400);
  const lit = fact === "share_picture" ? "outline-2 -outline-offset-2 outline-mark" : "";
  return (
    <div className={`proof as-light overflow-hidden ${large ? "w-full" : "w-[216px]"}`}>
      {picture && (
        <img
          src={src}
          alt={picture.alt}
          width={picture.width}
          height={picture.height}
          className={`h-auto w-full ${lit}`}
        />
      )}
      <div dir="auto" className={large ? "p-5" : "px-2.5 py-1.5"}>
        <b className={`block font-semibold ${large ? "text-xl break-words" : "truncate py-px text-[11px]"}`}>
          <HighlightedText line={lineOf(proof, "title")} fact={fact} />
        </b>
        <span className={`block text-soft ${large ? "text-base" : "truncate py-px text-[9.5px]"}`}>
          <HighlightedText line={lineOf(proof, "site")} fact={fact} />
        </span>
      </div>
    </div>
  );
}
