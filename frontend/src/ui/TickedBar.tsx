import type { ReactNode } from "react";

/** What can be done with the rows that are ticked; it stays at the end of the window. */
export function TickedBar({ label, children }: { label: string; children: ReactNode }) {
  return (
    <section
      aria-label={label}
      className="sticky bottom-0 z-20 flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-act bg-act-soft px-6 py-2 max-sm:[&_.act-link]:min-h-11"
    >
      {children}
    </section>
  );
}
