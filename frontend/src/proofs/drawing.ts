import type { Proof, Proofs } from "../api/client";
import type { Guise } from "./model";

/** What every drawing is given. `large` draws it as it opens on a click, with nothing cut. */
export interface DrawingProps {
  proof: Proof;
  fact: string;
  as?: Guise | undefined;
  mark: string;
  themes: Proofs["themes"];
  large: boolean;
}

/** Facts that are about looks: their proofs keep to light or dark, whatever the desk itself is in. */
const LOOKS = ["logo", "logo_dark", "icon", "share_picture", "brand_colour", "accent_colour", "typefaces"];

/** The theme that a drawing keeps to; none for proofs of words, which go with the desk. */
export function themeOf({ fact, as }: Pick<DrawingProps, "fact" | "as">): "light" | "dark" | undefined {
  if (as === "dark") return "dark";
  return LOOKS.includes(fact) ? "light" : undefined;
}
