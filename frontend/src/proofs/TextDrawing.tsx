import type { DrawingProps } from "./drawing";
import { HighlightedText } from "./HighlightedText";
import { lineOf } from "./model";
import { Nowhere } from "./Nowhere";

const SHOWN = 2;

/** What a page says of a fact, else how it begins: narrow, so that the browser parts words as it does on phones. */
export function TextDrawing({ proof, fact, large }: DrawingProps) {
  const said = proof.lines.filter((line) => line.role === "paragraph");
  if (said.length === 0) return <Nowhere place="text" />;
  const ofFact = said.filter((line) => line.highlights.some((one) => one.fact === fact));
  const shown = ofFact.length > 0 ? ofFact : said.slice(0, 1);
  return (
    <div
      lang={lineOf(proof, "language").text}
      className={`proof grid gap-2 break-words hyphens-auto ${large ? "w-full max-w-80 p-6 text-base" : "w-[176px] px-3 py-2.5 text-[11.5px] leading-snug"}`}
    >
      {shown.slice(0, large ? shown.length : SHOWN).map((line, index) => (
        <p key={index} dir="auto" className={large ? "" : "line-clamp-6"}>
          <HighlightedText line={line} fact={fact} />
        </p>
      ))}
    </div>
  );
}
