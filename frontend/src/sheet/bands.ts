import type { Place } from "../proofs/model";
import type { Key } from "./keeper";

/** A proof that a row shows: a place, on the chosen page or on the home page. */
export interface Wanted {
  place: Place;
  home?: boolean;
}

export interface RowPlan {
  key: Key;
  field: "line" | "colour" | "language" | "clock";
  size: "name" | "line" | "text";
  proofs: Wanted[];
}

export interface Band {
  id: "words" | "colours" | "language" | "clock";
  rows: RowPlan[];
}

/** The sheet: its bands and rows in order, each row with the proofs that tell most about it. */
export const BANDS: Band[] = [
  {
    id: "words",
    rows: [
      { key: "name", field: "line", size: "name", proofs: [{ place: "tab" }, { place: "header" }] },
      { key: "short_name", field: "line", size: "line", proofs: [{ place: "manifest" }] },
      { key: "tagline", field: "line", size: "line", proofs: [{ place: "search", home: true }, { place: "header" }] },
      { key: "description", field: "line", size: "text", proofs: [{ place: "search", home: true }] },
      { key: "footer_text", field: "line", size: "line", proofs: [{ place: "footer" }] },
    ],
  },
  { id: "colours", rows: [{ key: "brand_colour", field: "colour", size: "line", proofs: [{ place: "header" }] }] },
  { id: "language", rows: [{ key: "language", field: "language", size: "line", proofs: [] }] },
  { id: "clock", rows: [{ key: "time_zone", field: "clock", size: "line", proofs: [{ place: "footer" }] }] },
];
