import type { ReactNode } from "react";

interface Props {
  title: string;
  lead: string;
  /** What stands at its end. */
  children?: ReactNode;
}

/** The title of a view, with one line of what it is for. */
export function ViewHead({ title, lead, children }: Props) {
  return (
    <div className="flex flex-wrap items-baseline gap-x-3 px-6 pt-4 pb-3">
      <h1 className="text-[22px] leading-none font-[650] tracking-tight">{title}</h1>
      <p className="text-soft">{lead}</p>
      {children && <div className="ms-auto">{children}</div>}
    </div>
  );
}
