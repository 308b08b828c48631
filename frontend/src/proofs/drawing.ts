import type { Proof, Proofs } from "../api/client";
import { specOf } from "../draft/facts";
import type { Variant } from "./model";

/** What every drawing is given. `large` draws it as it opens on a click, with nothing cut. */
export interface DrawingProps {
  proof: Proof;
  fact: string;
  variant?: Variant | undefined;
  iconUrl: string;
  themes: Proofs["themes"];
  large: boolean;
}

/**
 * The theme that a drawing keeps to; none for proofs of words, which go with the desk. Facts about looks keep to
 * light or dark, whatever the desk itself is in.
 */
export function themeOf({ fact, variant }: Pick<DrawingProps, "fact" | "variant">): "light" | "dark" | undefined {
  if (variant === "dark") return "dark";
  return specOf(fact)?.visual ? "light" : undefined;
}
