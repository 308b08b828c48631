import type { ReactNode } from "react";

type Tone = "act" | "warn" | "stop";
const TONES: Record<Tone, string> = {
  act: "bg-act-soft text-ink",
  warn: "bg-warn-soft text-ink",
  stop: "bg-stop-soft text-ink",
};

/** A message in the flow of a view: what happened, to what, and what can be done. */
export function Notice({ tone, children }: { tone: Tone; children: ReactNode }) {
  return (
    <div role={tone === "act" ? "status" : "alert"} className={`rounded-lg px-4 py-3 ${TONES[tone]}`}>
      {children}
    </div>
  );
}
