import type { Spot } from "../api/problem";
import { tidy } from "./keeper";

/** The refused part of a text, and the text with the server's fix in its place. */
export function fixOf(text: string, spot: Spot): { wrong: string; fixed: string | null } | null {
  if (spot.start == null || spot.end == null) return null;
  const points = [...tidy(text)];
  const wrong = points.slice(spot.start, spot.end).join("");
  if (spot.fix == null) return { wrong, fixed: null };
  return { wrong, fixed: [...points.slice(0, spot.start), spot.fix, ...points.slice(spot.end)].join("") };
}
