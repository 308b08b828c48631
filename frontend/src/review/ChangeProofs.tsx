import { useRef } from "react";
import type { Change } from "../api/client";
import { ROW_OF } from "../draft/facts";
import { FactProofs } from "../proofs/FactProofs";
import { useInView } from "../proofs/ProofsProvider";
import type { Row } from "../draft/facts";

function Drawn({ row }: { row: Row }) {
  const element = useRef<HTMLDivElement>(null);
  useInView(row, element);
  return (
    <div ref={element} className="dotted flex flex-wrap items-start gap-3.5 rounded-md p-3.5 max-lg:col-span-full">
      <FactProofs row={row} />
    </div>
  );
}

/** Draws, beside a changed fact, where its new words land: read back from the draft that would be published. */
export function ChangeProofs({ change }: { change: Change }) {
  const row = change.kind === "fact" ? ROW_OF.get(change.key) : undefined;
  return row?.slots.length ? <Drawn row={row} /> : null;
}
