import { later } from "../ui/later";
import { type DrawingProps } from "./drawing";
import { HeaderDrawing } from "./HeaderDrawing";
import { HomeScreenDrawing } from "./HomeScreenDrawing";
import { HighlightedText } from "./HighlightedText";
import { MessageDrawing } from "./MessageDrawing";
import { lineOf } from "./model";
import { ShareDrawing } from "./ShareDrawing";
import { BookmarkDrawing, TabDrawing } from "./TabDrawing";

function Footer({ proof, fact, large }: DrawingProps) {
  return (
    <div className={`proof grid ${large ? "w-full" : "w-[224px]"}`}>
      <div aria-hidden className={`grid gap-1.5 px-3 ${large ? "py-6" : "pt-2.5 pb-2"}`}>
        <i className="h-1 w-3/4 rounded bg-line" />
        <i className="h-1 w-1/2 rounded bg-line" />
      </div>
      <p
        dir="auto"
        className={`border-t border-line px-3 ${large ? "py-5 text-base" : "py-2 text-[10.5px] leading-snug break-words"}`}
      >
        <HighlightedText line={lineOf(proof, "line")} fact={fact} />
        {proof.lines
          .filter((line) => line.role === "contact")
          .map((line, index) => (
            <span key={index} className="mt-1 block">
              <HighlightedText line={line} fact={fact} />
            </span>
          ))}
      </p>
    </div>
  );
}

function Search({ proof, fact, large }: DrawingProps) {
  return (
    <div dir="auto" className={`proof ${large ? "w-full p-6" : "w-[224px] px-3 py-2"}`}>
      <p dir="ltr" className={`truncate font-code text-soft ${large ? "text-xs" : "text-[9.5px]"}`}>
        {lineOf(proof, "address").text}
      </p>
      <b className={`block font-semibold ${large ? "text-xl break-words" : "truncate py-px text-[13px]"}`}>
        <HighlightedText line={lineOf(proof, "title")} fact={fact} />
      </b>
      <p
        className={`text-soft ${large ? "text-base" : `text-[10.5px] leading-snug ${fact === "description" ? "" : "line-clamp-2"}`}`}
      >
        {lineOf(proof, "date").text && <span className="text-ink">{lineOf(proof, "date").text} · </span>}
        <HighlightedText line={lineOf(proof, "description")} fact={fact} />
      </p>
    </div>
  );
}

function Feed({ proof, fact, iconUrl, large }: DrawingProps) {
  return (
    <div dir="auto" className={`proof ${large ? "w-full p-6" : "w-[216px] px-3 py-2"}`}>
      <div className="flex items-center gap-2">
        <img src={iconUrl} alt="" width={large ? 32 : 16} height={large ? 32 : 16} className="flex-none" />
        <b className={`min-w-0 font-semibold ${large ? "text-xl" : "truncate py-px text-xs"}`}>
          <HighlightedText line={lineOf(proof, "title")} fact={fact} />
        </b>
      </div>
      <p className={`text-soft ${large ? "mt-1 text-base" : "truncate py-px text-[10px]"}`}>
        <HighlightedText line={lineOf(proof, "subtitle")} fact={fact} />
      </p>
      <p className={`mt-1 border-t border-line pt-1 ${large ? "text-base" : "truncate text-[10px]"}`}>
        {lineOf(proof, "newest").text}
      </p>
      {(large || fact === "footer_text") && (
        <p className={`text-soft ${large ? "mt-1 text-base" : "truncate py-px text-[10px]"}`}>
          <HighlightedText line={lineOf(proof, "rights")} fact={fact} />
        </p>
      )}
    </div>
  );
}

/** The dates of a page, each as it stands there. */
function Dated({ proof, fact, large }: DrawingProps) {
  return (
    <div className={`proof grid gap-1.5 ${large ? "w-full p-6" : "w-[224px] px-3 py-2.5"}`}>
      <i aria-hidden className="h-1 w-1/2 rounded bg-line" />
      {proof.lines.map((line, index) => (
        <p key={index} dir="auto" className={large ? "text-lg" : "text-[11.5px] leading-snug"}>
          <span className={fact ? "lit" : ""}>{line.text}</span>
        </p>
      ))}
      <i aria-hidden className="h-1 w-3/4 rounded bg-line" />
    </div>
  );
}

// Of the many places those that the first rows of the sheet show are drawn at once; the others come with their words.
const RareDrawing = later(async () => (await import("./rareDrawings")).RareDrawing);

/** Draws a place as it was read back: in the desk's own ink, after nobody's browser or phone. */
export function Drawing(props: DrawingProps) {
  switch (props.proof.place) {
    case "tab":
      return props.variant === "bookmark" ? <BookmarkDrawing {...props} /> : <TabDrawing {...props} />;
    case "header":
      return <HeaderDrawing {...props} />;
    case "footer":
      return <Footer {...props} />;
    case "dated":
      return <Dated {...props} />;
    case "search":
      return <Search {...props} />;
    case "feed":
      return <Feed {...props} />;
    case "manifest":
      return <HomeScreenDrawing {...props} />;
    case "message":
      return <MessageDrawing {...props} />;
    case "share":
      return <ShareDrawing {...props} />;
    case "notice":
    case "side":
    case "cookies":
    case "event":
    case "calendar":
    case "archive":
    case "hours":
    case "links":
    case "contact":
    case "structured":
    case "card":
    case "paper":
    case "text":
    case "aloud":
    case "not_found":
      return <RareDrawing {...props} place={props.proof.place} />;
    default:
      // A place without a drawing is a type error here, not a blank desk.
      return props.proof.place satisfies never;
  }
}
