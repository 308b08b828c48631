import type { FieldError } from "../api/problem";
import { tidy } from "./document";

/** The refused part of a text, and the text with the server's fix in its place. */
export function fixOf(text: string, error: FieldError): { wrong: string; fixed: string | null } | null {
  if (error.start == null || error.end == null) return null;
  const points = Array.from(tidy(text));
  const wrong = points.slice(error.start, error.end).join("");
  if (error.fix == null) return { wrong, fixed: null };
  return { wrong, fixed: [...points.slice(0, error.start), error.fix, ...points.slice(error.end)].join("") };
}
