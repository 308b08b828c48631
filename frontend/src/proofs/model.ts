import type { Proof, Proofs } from "../api/client";

export type Place = Proof["place"];
export type PlaceReach = NonNullable<Proofs["reach"][string]>[number];
export type Line = Proof["lines"][number];

/** How a place is drawn where it can look in more than one way. */
export type Guise = "dark" | "phone" | "round" | "rounded" | "bookmark";

export type Picture = Proof["pictures"][number];

export interface Piece {
  text: string;
  lit: boolean;
}

/** A line in pieces, those of the fact set apart. Marks count code points, as the server does. */
export function pieces(line: Line, fact: string): Piece[] {
  const points = [...line.text];
  const out: Piece[] = [];
  let at = 0;
  for (const mark of line.marks.filter((one) => one.fact === fact)) {
    if (mark.start < at) continue;
    out.push({ text: points.slice(at, mark.start).join(""), lit: false });
    out.push({ text: points.slice(mark.start, mark.end).join(""), lit: true });
    at = mark.end;
  }
  out.push({ text: points.slice(at).join(""), lit: false });
  return out.filter((piece) => piece.text !== "");
}

/** The proof of a place; of the home page if asked, else of the chosen page first. */
export function findProof(proofs: Proof[], place: Place, home: boolean): Proof | undefined {
  const here = proofs.filter((proof) => proof.place === place);
  return home ? (here.find((proof) => proof.path === "/") ?? here[0]) : here[0];
}

export function pictureOf(proof: Proof, role: string): Picture | undefined {
  return proof.pictures.find((picture) => picture.role === role);
}

export function lineOf(proof: Proof, role: string): Line {
  return proof.lines.find((line) => line.role === role) ?? { role, text: "", marks: [] };
}

/** The lines of a place that its drawing shows; a home screen has room for the short name alone. */
function drawnLines(proof: Proof): Line[] {
  return proof.place === "manifest" ? [lineOf(proof, "short_name")] : proof.lines;
}

/** Whether the drawing of a place shows a fact. */
export function showsFact(proof: Proof, fact: string): boolean {
  return drawnLines(proof).some((line) => line.marks.some((mark) => mark.fact === fact));
}
