import { useTranslation } from "../i18n/useTranslation";
import type { Stray } from "./api";

/** A fill-in, as texts of pages have them. */
const FILL_IN = /(\{[^{}]+\})/;

function Written({ text }: { text: string }) {
  return text.split(FILL_IN).map((part, at) =>
    FILL_IN.test(part) ? (
      <code key={at} dir="ltr" className="rounded-sm bg-act-soft px-1 font-mono text-[12.5px] text-ink">
        {part}
      </code>
    ) : (
      <span key={at}>{part}</span>
    ),
  );
}

/** A spot in its context: what is said there, and, where it is mended by itself, what will be. */
export function Spot({ stray }: { stray: Stray }) {
  const { t } = useTranslation();
  const will = stray.replacement ?? (stray.mend ? stray.should_say : "");
  const told = stray.says || t("consistency.nothing");
  return (
    <p className="leading-relaxed break-words" dir="auto">
      {stray.before && <span className="text-soft">…{stray.before}</span>}
      <del className={will ? "bg-stop-soft decoration-stop" : "bg-warn-soft no-underline"}>{told}</del>
      {will && (
        <>
          {" "}
          <ins className="bg-act-soft no-underline">
            <Written text={will} />
          </ins>
        </>
      )}
      {stray.after && <span className="text-soft">{stray.after}…</span>}
    </p>
  );
}
