import type { DrawingProps } from "./drawing";
import { HighlightedText } from "./HighlightedText";
import { lineOf } from "./model";
import { Nowhere } from "./Nowhere";

/** What the contact page says of how to reach the site, and what its form tells the sender. */
export function ContactDrawing({ proof, fact, large }: DrawingProps) {
  if (!proof.lines.length) return <Nowhere place="contact" />;
  const form = proof.lines.filter((line) => line.role === "form");
  return (
    <div
      dir="auto"
      className={`proof grid gap-1 ${large ? "w-full p-6 text-base" : "w-[236px] px-3 py-2.5 text-[10.5px] leading-snug"}`}
    >
      {proof.lines
        .filter((line) => line.role === "part")
        .map((line, index) => (
          <p key={index} className="break-words">
            <HighlightedText line={line} fact={fact} />
          </p>
        ))}
      {form.length > 0 && (
        <div className="mt-1 grid gap-1 border-t border-line pt-1.5">
          {form.map((line, index) => (
            <p key={index} className={index === 0 ? "font-semibold" : "text-soft"}>
              <span className={fact === "enquiry_days" && index > 0 ? "lit" : ""}>{line.text}</span>
            </p>
          ))}
        </div>
      )}
    </div>
  );
}

/** The record of whoever publishes the site, as something that lists it would show it. */
export function RecordDrawing({ proof, fact, large }: DrawingProps) {
  if (!proof.lines.length) return <Nowhere place="structured" />;
  return (
    <div dir="auto" className={`proof ${large ? "w-full p-6 text-base" : "w-[224px] px-3 py-2.5 text-[10.5px]"}`}>
      <b className={`block font-semibold ${large ? "text-xl" : "text-[13px]"}`}>
        <HighlightedText line={lineOf(proof, "name")} fact={fact} />
      </b>
      {proof.lines
        .filter((line) => !["type", "name", "url"].includes(line.role))
        .map((line) => (
          <p key={line.role} className="break-words text-soft">
            <HighlightedText line={line} fact={fact} />
          </p>
        ))}
    </div>
  );
}

/** The card as an address book shows it. */
export function CardDrawing({ proof, fact, iconUrl, large }: DrawingProps) {
  return (
    <div
      dir="auto"
      className={`proof flex items-start gap-2.5 ${large ? "w-full p-6 text-base" : "w-[224px] px-3 py-2.5 text-[10.5px] leading-snug"}`}
    >
      <img src={iconUrl} alt="" width={large ? 64 : 30} height={large ? 64 : 30} className="flex-none rounded-sm" />
      <div className="min-w-0">
        <b className={`block font-semibold ${large ? "text-xl" : "text-[13px]"}`}>
          <HighlightedText line={lineOf(proof, "name")} fact={fact} />
        </b>
        {proof.lines
          .filter((line) => line.role !== "name")
          .map((line) => (
            <p key={line.role} className="break-words text-soft">
              <HighlightedText line={line} fact={fact} />
            </p>
          ))}
      </div>
    </div>
  );
}
