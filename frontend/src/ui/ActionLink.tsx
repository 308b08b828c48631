import type { ReactNode } from "react";

interface Props {
  onClick: () => void;
  /** For an action that opens something: whether it is open. */
  expanded?: boolean | undefined;
  children: ReactNode;
}

/** A remedy or an action within a row. */
export function ActionLink({ onClick, expanded, children }: Props) {
  return (
    <button type="button" aria-expanded={expanded} className="act-link me-3" onClick={onClick}>
      {children}
    </button>
  );
}
