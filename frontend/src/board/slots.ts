import { FACTS } from "../api/facts.gen";
import { DRAWN, type DrawnPlace } from "../api/lists.gen";
import type { Variant } from "../proofs/model";

/** A drawing on the board: a place, in one of the ways in which it can look. */
export interface BoardSlot {
  place: DrawnPlace;
  variant: Variant | undefined;
}

/** Every place with each of its looks, as the facts' own rows draw them, in the order of the places. */
export const SLOTS: BoardSlot[] = DRAWN.flatMap((place) => {
  const looks = FACTS.flatMap((fact) =>
    fact.slots.flatMap((slot) => (slot.place === place && "variant" in slot ? [slot.variant] : [])),
  );
  return [undefined, ...new Set(looks)].map((variant) => ({ place, variant }));
});
