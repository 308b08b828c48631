import { useRef } from "react";
import type { Row } from "../draft/facts";
import { FactProofs } from "./FactProofs";
import { useInView } from "./ProofsProvider";

/** The proofs of a row, by the nearest provider, under a title; read once they come into view. */
export function SideProofs({ title, row }: { title: string; row: Row }) {
  const element = useRef<HTMLDivElement>(null);
  useInView(row, element);
  return (
    <div role="group" aria-label={title}>
      <h3 className="mb-1 text-xs font-semibold text-soft">{title}</h3>
      <div ref={element} className="dotted flex flex-wrap items-start gap-3.5 rounded-md p-3.5">
        <FactProofs row={row} />
      </div>
    </div>
  );
}
