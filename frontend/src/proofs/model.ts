import type { Proof, Reach } from "../api/client";
import { FILE_PLACES } from "../api/lists.gen";

export type Place = Proof["place"];
export type PlaceReach = Reach["places"][number];
export type Line = Proof["lines"][number];
export type Picture = Proof["pictures"][number];

/** How a place is drawn where it can look in more than one way. */
export type Variant = "dark" | "phone" | "round" | "rounded" | "bookmark";

/** Whether a place is one that a site has once, which so belongs to no page. */
export function isFile(place: string): boolean {
  return (FILE_PLACES as readonly string[]).includes(place);
}

export interface Piece {
  text: string;
  lit: boolean;
}

/** A line in pieces, those of the fact set apart. Highlights count code points, as the server does. */
export function pieces(line: Line, fact: string): Piece[] {
  const points = Array.from(line.text);
  const out: Piece[] = [];
  let at = 0;
  for (const found of line.highlights.filter((one) => one.fact === fact)) {
    if (found.start < at) continue;
    out.push({ text: points.slice(at, found.start).join(""), lit: false });
    out.push({ text: points.slice(found.start, found.end).join(""), lit: true });
    at = found.end;
  }
  out.push({ text: points.slice(at).join(""), lit: false });
  return out.filter((piece) => piece.text !== "");
}

export function pictureOf(proof: Proof, role: string): Picture | undefined {
  return proof.pictures.find((picture) => picture.role === role);
}

export function lineOf(proof: Proof, role: string): Line {
  return proof.lines.find((line) => line.role === role) ?? { role, text: "", highlights: [] };
}

/** The lines of a place that its drawing shows; a home screen has room for the short name alone. */
function drawnLines(proof: Proof): Line[] {
  return proof.place === "manifest" ? [lineOf(proof, "short_name")] : proof.lines;
}

/** Whether the drawing of a place shows a fact. */
export function showsFact(proof: Proof, fact: string): boolean {
  return drawnLines(proof).some((line) => line.highlights.some((one) => one.fact === fact));
}

/** How many code points two texts begin with alike. */
function alike(one: string, other: string): number {
  const [a, b] = [Array.from(one), Array.from(other)];
  const at = a.findIndex((point, index) => point !== b[index]);
  return at < 0 ? a.length : at;
}

/**
 * Where in the lines of a drawing two values of a fact begin to differ, in code points; infinite where it is not shown.
 * A drawing cuts long lines off at their end, so that the nearer to the beginning it is, the surer it is seen.
 */
export function differsAt(proof: Proof | undefined, fact: string, before: string, after: string): number {
  if (!proof) return Infinity;
  const starts = drawnLines(proof).flatMap((line) => line.highlights.filter((one) => one.fact === fact));
  return Math.min(Infinity, ...starts.map((one) => one.start + alike(before, after)));
}
