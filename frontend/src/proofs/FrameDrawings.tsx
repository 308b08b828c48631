import { useTranslation } from "../i18n/useTranslation";
import type { DrawingProps } from "./drawing";
import { HighlightedText } from "./HighlightedText";
import { lineOf } from "./model";
import { Nowhere } from "./Nowhere";

function Lines({ count }: { count: number }) {
  return Array.from({ length: count }, (_, index) => (
    <i key={index} aria-hidden className={`h-1 rounded bg-line ${index % 3 === 2 ? "w-1/2" : "w-11/12"}`} />
  ));
}

/** The line above a page's header. */
export function NoticeDrawing({ proof, fact, large }: DrawingProps) {
  const line = lineOf(proof, "notice");
  if (!line.text) return <Nowhere place="notice" />;
  return (
    <div className={`proof overflow-hidden ${large ? "w-full" : "w-[224px]"}`}>
      <p
        dir="auto"
        className={`border-b border-line bg-ground text-center font-medium break-words ${large ? "p-3 text-base" : "px-2 py-1.5 text-[10.5px] leading-snug"}`}
      >
        <span className={line.highlights.length ? "" : "lit"}>
          <HighlightedText line={line} fact={fact} />
        </span>
      </p>
      <div className={`grid gap-1.5 ${large ? "p-6" : "p-3"}`}>
        <Lines count={3} />
      </div>
    </div>
  );
}

/** The text beside every page's own. */
export function SideDrawing({ proof, large }: DrawingProps) {
  if (!proof.lines.length) return <Nowhere place="side" />;
  return (
    <div
      className={`proof grid gap-3 ${large ? "w-full grid-cols-[1fr_15rem] p-6" : "w-[224px] grid-cols-[1fr_92px] p-2.5"}`}
    >
      <div className="grid content-start gap-1.5">
        <Lines count={large ? 9 : 6} />
      </div>
      <div
        dir="auto"
        className={`grid content-start gap-1 border-t-2 border-mark pt-1 break-words ${large ? "text-base" : "text-[9.5px] leading-snug"}`}
      >
        {proof.lines.map((line, index) => (
          <p key={index}>{line.text}</p>
        ))}
      </div>
    </div>
  );
}

/** The notice that asks a visitor, with both answers alike. */
export function CookiesDrawing({ proof, large }: DrawingProps) {
  const { t } = useTranslation();
  const title = lineOf(proof, "title");
  if (!title.text) return <Nowhere place="cookies" />;
  const answers = proof.lines.filter((line) => line.role === "answer");
  return (
    <div className={`proof grid gap-2 ${large ? "w-full p-6" : "w-[224px] p-3"}`}>
      <Lines count={2} />
      <div className={`rounded-md border border-line ${large ? "p-4 text-base" : "p-2 text-[10px] leading-snug"}`}>
        <b dir="auto" className="block font-semibold break-words">
          {title.text}
        </b>
        {proof.lines
          .filter((line) => line.role === "text")
          .map((line, index) => (
            <p key={index} dir="auto" className="break-words">
              {line.text}
            </p>
          ))}
        <span className="mt-1.5 grid grid-cols-2 gap-1.5" aria-label={t("cookies.both")} role="group">
          {answers.map((line, index) => (
            <span key={index} dir="auto" className="rounded-sm bg-ink py-1 text-center font-medium text-paper">
              {line.text}
            </span>
          ))}
        </span>
      </div>
    </div>
  );
}
