import type { ReactNode } from "react";

/** The head of a table's column, in the words of the rows below it. */
export function ColumnHead({ className = "", children }: { className?: string; children: ReactNode }) {
  return (
    <th scope="col" className={`text-start font-normal ${className}`}>
      {children}
    </th>
  );
}
