import { themeOf, type DrawingProps } from "./drawing";
import { HighlightedText } from "./HighlightedText";
import { lineOf, pictureOf } from "./model";

/** Another page's tab beside it: a grey dot and a line. */
function Other({ large }: { large: boolean }) {
  return (
    <span aria-hidden className={`flex items-center gap-1.5 px-2 ${large ? "py-3" : "h-7"}`}>
      <i className={`flex-none rounded-full bg-soft opacity-50 ${large ? "size-5" : "size-3"}`} />
      <i className={`h-1 rounded bg-soft opacity-40 ${large ? "w-16" : "w-6"}`} />
    </span>
  );
}

export function TabDrawing({ proof, fact, variant, iconUrl, large }: DrawingProps) {
  const theme = themeOf({ fact, variant });
  const among = fact === "icon";
  const lit = among ? "outline-2 outline-offset-1 outline-mark" : "";
  return (
    <div
      className={`proof flex flex-col overflow-hidden bg-line! pt-2 ${theme ? `as-${theme}` : ""} ${large ? "w-full" : "h-[54px] w-[192px]"}`}
    >
      <div className="flex px-2">
        <div
          dir="auto"
          className={`flex min-w-0 items-center gap-1.5 rounded-t-md bg-paper px-2 ${among ? "max-w-3/4" : "flex-1"} ${large ? "py-3 text-lg" : "h-7 text-[11px] whitespace-nowrap"}`}
        >
          <img
            src={pictureOf(proof, "icon")?.src ?? iconUrl}
            alt=""
            width={large ? 24 : 16}
            height={large ? 24 : 16}
            className={`flex-none rounded-[2px] ${lit}`}
          />
          <span className={large ? "break-words" : "truncate"}>
            <HighlightedText line={lineOf(proof, "title")} fact={fact} />
          </span>
        </div>
        {among && <Other large={large} />}
      </div>
      <div className={`bg-paper ${large ? "h-10" : "flex-1"}`} />
    </div>
  );
}

/** The page among a list of kept ones. */
export function BookmarkDrawing({ proof, fact, iconUrl, large }: DrawingProps) {
  const size = large ? 24 : 16;
  const row = `flex items-center gap-2 ${large ? "py-2.5 text-lg" : "py-1 text-[11px]"}`;
  return (
    <div className={`proof as-light ${large ? "w-full px-6 py-4" : "w-[168px] px-2.5 py-1"}`}>
      <span aria-hidden className={row}>
        <i className="size-3.5 flex-none rounded-sm bg-line" />
        <i className="h-1 w-20 rounded bg-line" />
      </span>
      <span dir="auto" className={row}>
        <img
          src={pictureOf(proof, "icon")?.src ?? iconUrl}
          alt=""
          width={size}
          height={size}
          className={`flex-none ${fact === "icon" ? "outline-2 outline-offset-1 outline-mark" : ""}`}
        />
        <span className={large ? "break-words" : "truncate"}>{lineOf(proof, "title").text}</span>
      </span>
    </div>
  );
}
