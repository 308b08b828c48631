import type { ReactNode } from "react";

type Tone = "act" | "warn" | "stop";
const TONES: Record<Tone, string> = {
  act: "bg-act-soft text-ink",
  warn: "bg-warn-soft text-ink",
  stop: "bg-stop-soft text-ink",
};

/** A message in the flow of a view: what happened, to what; beside it, outside of what is read out, what can be done. */
export function Notice({ tone, actions, children }: { tone: Tone; actions?: ReactNode; children: ReactNode }) {
  return (
    <div className={`flex flex-wrap items-baseline gap-x-4 gap-y-2 rounded-lg px-4 py-3 ${TONES[tone]}`}>
      <div role={tone === "act" ? "status" : "alert"}>{children}</div>
      {actions}
    </div>
  );
}
