import type { DrawingProps } from "./drawing";
import { Nowhere } from "./Nowhere";

/** A month, its weeks beginning with the site's own first day; days with something on are marked. */
export function CalendarDrawing({ proof, fact, large }: DrawingProps) {
  const names = proof.lines.filter((line) => line.role === "weekday");
  const days = proof.lines.filter((line) => line.role === "day" || line.role === "event");
  const month = proof.lines.find((line) => line.role === "month");
  if (!days.length) return <Nowhere place="calendar" />;
  return (
    <div dir="auto" className={`proof ${large ? "w-full p-6 text-base" : "w-[224px] px-3 py-2.5 text-[10.5px]"}`}>
      <p className={`mb-1 font-semibold ${large ? "text-xl" : "text-xs"}`}>{month?.text}</p>
      <div className="grid grid-cols-7 gap-x-1 gap-y-0.5">
        {names.map((line, index) => (
          <span key={line.text} className={`truncate ${index === 0 && fact ? "lit" : "text-soft"}`}>
            {line.text}
          </span>
        ))}
        {days.map((line, index) => (
          <span key={index} className={line.role === "event" ? "font-bold underline decoration-2" : "text-soft"}>
            {line.text}
          </span>
        ))}
      </div>
    </div>
  );
}

/** An event as its page says it: its name, when it is, where. */
export function EventDrawing({ proof, fact, large }: DrawingProps) {
  const [title, ...lines] = proof.lines;
  if (!title) return <Nowhere place="event" />;
  return (
    <div
      dir="auto"
      className={`proof grid gap-1 ${large ? "w-full p-6 text-base" : "w-[224px] px-3 py-2.5 text-[11px]"}`}
    >
      <b className={`font-semibold ${large ? "text-xl" : "text-[13px]"}`}>{title.text}</b>
      {lines.map((line, index) => (
        <p key={index} className={`leading-snug ${index === 0 ? "" : "text-soft"}`}>
          <span className={index === 0 && fact ? "lit" : ""}>{line.text}</span>
        </p>
      ))}
    </div>
  );
}

/** The months by which older posts are found. */
export function ArchiveDrawing({ proof, large }: DrawingProps) {
  if (!proof.lines.length) return <Nowhere place="archive" />;
  return (
    <ul
      dir="auto"
      className={`proof grid gap-0.5 ${large ? "w-full p-6 text-base" : "w-[224px] px-3 py-2.5 text-[11px]"}`}
    >
      {proof.lines.map((line) => (
        <li key={line.text}>{line.text}</li>
      ))}
    </ul>
  );
}

/** The hours of the week, below whether it is open. */
export function HoursDrawing({ proof, large }: DrawingProps) {
  const status = proof.lines.find((line) => line.role === "status");
  const rows = proof.lines.filter((line) => line.role === "row");
  if (!rows.length) return <Nowhere place="hours" />;
  return (
    <div dir="auto" className={`proof ${large ? "w-full p-6 text-base" : "w-[224px] px-3 py-2.5 text-[10.5px]"}`}>
      <p className="mb-1 font-semibold">{status?.text}</p>
      {rows.map((line) => (
        <p key={line.text} className="border-t border-line py-px text-soft">
          {line.text}
        </p>
      ))}
    </div>
  );
}
