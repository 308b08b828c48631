import { useTranslation } from "../i18n/useTranslation";
import type { DrawingProps } from "./drawing";
import { HighlightedText } from "./HighlightedText";
import type { Line } from "./model";

const SHOWN = 9;
const PLAIN = [
  "title",
  "language",
  "banner",
  "navigation",
  "main",
  "complementary",
  "list",
  "link",
  "current",
  "button",
  "image",
  "text",
] as const;

function useRole() {
  const { t } = useTranslation();
  return (role: string) => {
    const plain = PLAIN.find((one) => one === role);
    return plain ? t(`aloud.${plain}`) : t("aloud.heading", { level: role.replace("heading", "") });
  };
}

/** Whether silence is meant where a stop has no name: landmarks need none. */
const mayBeSilent = (line: Line) => ["banner", "navigation", "main", "complementary"].includes(line.role);

/** What is read out of the top of a page, stop by stop, down to its heading. */
export function AloudDrawing({ proof, fact, large }: DrawingProps) {
  const { t } = useTranslation();
  const roleOf = useRole();
  const shown = large ? proof.lines : proof.lines.slice(0, SHOWN);
  return (
    <ol className={`proof grid gap-y-1 ${large ? "w-full p-6 text-base" : "w-[264px] px-3 py-2.5 text-[11px]"}`}>
      {shown.map((line, index) => (
        <li key={index} className={`grid leading-snug ${large ? "grid-cols-[9rem_1fr]" : "grid-cols-[5.5rem_1fr]"}`}>
          <span className="pe-2 text-soft">{roleOf(line.role)}</span>
          <span dir="auto" className="min-w-0 font-medium break-words">
            {line.text ? <HighlightedText line={line} fact={fact} /> : mayBeSilent(line) ? "" : t("aloud.nameless")}
          </span>
        </li>
      ))}
      {shown.length < proof.lines.length && (
        <li className="text-soft">{t("aloud.rest", { count: proof.lines.length - shown.length })}</li>
      )}
    </ol>
  );
}
