import type { DrawingProps } from "./drawing";
import { HighlightedText } from "./HighlightedText";
import { lineOf, pictureOf } from "./model";

/** The head of a message from the site, as a mail program opens it. */
export function MessageDrawing({ proof, fact, variant, iconUrl, themes, large }: DrawingProps) {
  const logo = pictureOf(proof, "logo");
  const name = lineOf(proof, "name");
  const tones = themes[variant === "dark" ? "dark" : "light"];
  const scale = large ? 1 : 0.5;
  const lit = fact === "logo" ? "outline-2 outline-offset-2 outline-mark" : "";
  return (
    <div
      dir="auto"
      className={`proof overflow-hidden ${large ? "w-full" : "w-[196px]"}`}
      style={{ background: tones?.ground, color: tones?.ink }}
    >
      <div className={large ? "h-1.5" : "h-1"} style={{ background: tones?.band }} />
      <div className={`flex items-center ${large ? "gap-3 p-6" : "gap-1.5 px-2.5 pt-2"}`}>
        <img
          src={logo?.src ?? pictureOf(proof, "icon")?.src ?? iconUrl}
          alt={logo?.alt ?? ""}
          style={{ width: (logo?.width ?? 40) * scale }}
          // As messages do on dark grounds.
          className={`h-auto max-w-2/3 flex-none ${logo && variant === "dark" ? "bg-white" : ""} ${lit}`}
        />
        {name.text && (
          <b className={`min-w-0 font-semibold ${large ? "text-xl break-words" : "truncate py-px text-[11px]"}`}>
            <HighlightedText line={name} fact={fact} />
          </b>
        )}
      </div>
      <p className={large ? "px-6 pb-8 text-lg" : "truncate px-2.5 py-1.5 text-[10px]"} style={{ color: tones?.soft }}>
        {lineOf(proof, "subject").text}
      </p>
      {lineOf(proof, "contact").text && (
        <p
          className={`border-t ${large ? "px-6 py-3 text-base" : "truncate px-2.5 py-1 text-[10px]"}`}
          style={{ color: tones?.soft, borderColor: tones?.soft }}
        >
          <HighlightedText line={lineOf(proof, "contact")} fact={fact} />
        </p>
      )}
    </div>
  );
}
