import type { Proof } from "../api/client";
import { MarkedText } from "./MarkedText";
import { lineOf } from "./model";

/** What every drawing is given. `large` draws it as it opens on a click, with nothing cut. */
export interface DrawingProps {
  proof: Proof;
  fact: string;
  mark: string;
  large: boolean;
}

function Mark({ src, size }: { src: string; size: number }) {
  return <img src={src} alt="" width={size} height={size} className="flex-none rounded-[22%]" />;
}

function Tab({ proof, fact, mark, large }: DrawingProps) {
  return (
    <div className={`proof flex flex-col overflow-hidden bg-line! pt-2 ${large ? "w-full" : "h-[54px] w-[196px]"}`}>
      <div dir="auto" className={`mx-2 flex items-center gap-1.5 rounded-t-md bg-paper px-2 ${large ? "py-3 text-lg" : "h-7 text-[11px] whitespace-nowrap"}`}>
        <Mark src={mark} size={large ? 24 : 14} />
        <span className={large ? "break-words" : "truncate"}>
          <MarkedText line={lineOf(proof, "title")} fact={fact} />
        </span>
      </div>
      <div className={`bg-paper ${large ? "h-10" : "flex-1"}`} />
    </div>
  );
}

function Header({ proof, fact, mark, large }: DrawingProps) {
  const tagline = lineOf(proof, "tagline");
  return (
    <div className={`proof overflow-hidden ${large ? "w-full" : "w-[196px]"}`}>
      <div className={large ? "h-2" : "h-1"} style={{ background: proof.colour }} />
      <div dir="auto" className={`flex items-center gap-2 ${large ? "gap-4 p-6" : "min-h-[50px] px-2.5 py-2"}`}>
        <Mark src={mark} size={large ? 52 : 26} />
        <div className="min-w-0">
          <b className={`block font-display font-semibold ${large ? "text-2xl break-words" : "truncate py-px text-xs"}`}>
            <MarkedText line={lineOf(proof, "name")} fact={fact} />
          </b>
          {tagline.text && (
            <span className={`block text-soft ${large ? "text-base break-words" : "truncate py-px text-[9.5px]"}`}>
              <MarkedText line={tagline} fact={fact} />
            </span>
          )}
        </div>
      </div>
    </div>
  );
}

function Footer({ proof, fact, large }: DrawingProps) {
  return (
    <div className={`proof grid ${large ? "w-full" : "w-[248px]"}`}>
      <div aria-hidden className={`grid gap-1.5 px-3 ${large ? "py-6" : "pt-2.5 pb-2"}`}>
        <i className="h-1 w-3/4 rounded bg-line" />
        <i className="h-1 w-1/2 rounded bg-line" />
      </div>
      <p dir="auto" className={`border-t border-line px-3 ${large ? "py-5 text-base" : "py-2 text-[10.5px] leading-snug break-words"}`}>
        <MarkedText line={lineOf(proof, "line")} fact={fact} />
      </p>
    </div>
  );
}

function Search({ proof, fact, large }: DrawingProps) {
  return (
    <div dir="auto" className={`proof ${large ? "w-full p-6" : "w-[248px] px-3 py-2"}`}>
      <p dir="ltr" className={`truncate font-code text-soft ${large ? "text-xs" : "text-[9.5px]"}`}>
        {lineOf(proof, "address").text}
      </p>
      <b className={`block font-semibold ${large ? "text-xl break-words" : "truncate py-px text-[13px]"}`}>
        <MarkedText line={lineOf(proof, "title")} fact={fact} />
      </b>
      <p className={`text-soft ${large ? "text-base" : `text-[10.5px] leading-snug ${fact === "description" ? "" : "line-clamp-2"}`}`}>
        <MarkedText line={lineOf(proof, "description")} fact={fact} />
      </p>
    </div>
  );
}

function Feed({ proof, fact, mark, large }: DrawingProps) {
  return (
    <div dir="auto" className={`proof ${large ? "w-full p-6" : "w-[216px] px-3 py-2"}`}>
      <div className="flex items-center gap-2">
        <Mark src={mark} size={large ? 32 : 16} />
        <b className={`min-w-0 font-semibold ${large ? "text-xl" : "truncate py-px text-xs"}`}>
          <MarkedText line={lineOf(proof, "title")} fact={fact} />
        </b>
      </div>
      <p className={`text-soft ${large ? "mt-1 text-base" : "truncate py-px text-[10px]"}`}>
        <MarkedText line={lineOf(proof, "subtitle")} fact={fact} />
      </p>
      <p className={`mt-1 border-t border-line pt-1 ${large ? "text-base" : "truncate text-[10px]"}`}>{lineOf(proof, "newest").text}</p>
    </div>
  );
}

function HomeScreen({ proof, fact, mark, large }: DrawingProps) {
  return (
    <div className={`proof grid place-items-center ${large ? "w-full py-12" : "h-[74px] w-[112px]"}`}>
      <div className="grid max-w-full justify-items-center gap-1">
        <Mark src={mark} size={large ? 84 : 36} />
        <span dir="auto" className={`max-w-full px-1 ${large ? "text-lg" : "truncate text-[10px]"}`}>
          <MarkedText line={lineOf(proof, "short_name")} fact={fact} />
        </span>
      </div>
    </div>
  );
}

/** Draws a place as it was read back: in the desk's own ink, after nobody's browser or phone. */
export function Drawing(props: DrawingProps) {
  switch (props.proof.place) {
    case "tab":
      return <Tab {...props} />;
    case "header":
      return <Header {...props} />;
    case "footer":
      return <Footer {...props} />;
    case "search":
      return <Search {...props} />;
    case "feed":
      return <Feed {...props} />;
    case "manifest":
      return <HomeScreen {...props} />;
    default:
      throw new Error(`There is no drawing for the place ${props.proof.place}.`);
  }
}
