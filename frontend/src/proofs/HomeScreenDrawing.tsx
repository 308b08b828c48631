import type { DrawingProps } from "./drawing";
import { HighlightedText } from "./HighlightedText";
import { lineOf, pictureOf } from "./model";

/** The site's icon on a phone's home screen, as the phone cuts it: round, or with rounded corners. */
export function HomeScreenDrawing({ proof, fact, variant, iconUrl, large }: DrawingProps) {
  const cut = variant === "round" ? "rounded-full" : "rounded-[24%]";
  const src = pictureOf(proof, "maskable")?.src ?? iconUrl;
  const size = large ? 96 : 42;
  const lit = fact === "icon" ? "outline-2 outline-offset-2 outline-mark" : "";
  return (
    <div
      className={`proof homescreen grid place-items-center text-white ${large ? "w-full py-12" : "h-[82px] w-[104px]"}`}
    >
      <div className="grid max-w-full justify-items-center gap-1">
        <img src={src} alt="" width={size} height={size} className={`${cut} ${lit}`} />
        <span dir="auto" className={`max-w-full px-1 ${large ? "text-lg" : "truncate text-[10px]"}`}>
          <HighlightedText line={lineOf(proof, "short_name")} fact={fact} />
        </span>
      </div>
    </div>
  );
}
