import type { Row } from "../draft/facts";
import { MorePlaces } from "./MorePlaces";
import { ProofFigure } from "./ProofFigure";
import { useProofs } from "./ProofsProvider";
import { slotKey } from "./reader";

interface Props {
  row: Row;
  /** Leaves out how many more places there are. */
  only?: boolean;
}

/** The proofs of one fact: those that tell most about it, then how many more places there are. */
export function FactProofs({ row, only = false }: Props) {
  const path = useProofs((state) => state.path);
  const reach = useProofs((state) => state.reach[row.key]);
  const wanted = row.slots.map((slot) => ({ ...slot, key: slotKey(slot, path) }));
  // On the home page itself its own proof stands there already.
  const drawn = wanted.filter(
    (one, index) => wanted.findIndex((other) => other.key === one.key && other.variant === one.variant) === index,
  );
  return (
    <>
      {drawn.map(({ key, place, home, variant }) => (
        <ProofFigure
          key={`${key} ${variant ?? ""}`}
          at={key}
          fact={row.key}
          variant={variant}
          reach={reach?.places.find((one) => one.place === place)}
          // Until reach is known, a proof says nothing of it, rather than that the fact is not there.
          shows={Boolean(home) || !reach}
        />
      ))}
      {!only && (
        <MorePlaces
          fact={row.key}
          reach={reach?.places.filter((one) => !drawn.some(({ place }) => place === one.place)) ?? []}
          alone={drawn.length === 0}
        />
      )}
    </>
  );
}
