import type { Guise, Place } from "../proofs/model";
import type { Key } from "./keeper";

/** A proof that a row shows: a place, on the chosen page or on the home page. */
export interface Wanted {
  place: Place;
  home?: boolean;
  as?: Guise;
}

export interface RowPlan {
  key: Key;
  /** Further facts that are edited in the same row. */
  also?: Key[];
  field: "line" | "logo" | "icon" | "share" | "colour" | "typefaces" | "language" | "clock";
  size: "name" | "line" | "text";
  proofs: Wanted[];
}

export interface Band {
  id: "words" | "marks" | "colours" | "language" | "clock";
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
  {
    id: "marks",
    rows: [
      {
        key: "logo",
        also: ["logo_dark", "logo_plate", "logo_width", "logo_says_name"],
        field: "logo",
        size: "line",
        proofs: [{ place: "header" }, { place: "header", as: "dark" }, { place: "header", as: "phone" }, { place: "message" }],
      },
      {
        key: "icon",
        field: "icon",
        size: "line",
        proofs: [
          { place: "tab" },
          { place: "tab", as: "dark" },
          { place: "manifest", as: "round" },
          { place: "manifest", as: "rounded" },
          { place: "tab", as: "bookmark" },
        ],
      },
      { key: "share_picture", field: "share", size: "line", proofs: [{ place: "share" }] },
    ],
  },
  {
    id: "colours",
    rows: [
      { key: "brand_colour", field: "colour", size: "line", proofs: [{ place: "header" }] },
      { key: "accent_colour", field: "colour", size: "line", proofs: [{ place: "links" }] },
      { key: "typefaces", field: "typefaces", size: "line", proofs: [{ place: "share", home: true }] },
    ],
  },
  { id: "language", rows: [{ key: "language", field: "language", size: "line", proofs: [] }] },
  { id: "clock", rows: [{ key: "time_zone", field: "clock", size: "line", proofs: [{ place: "footer" }] }] },
];

/** All facts that a row edits. */
export function keysOf(row: RowPlan): Key[] {
  return [row.key, ...(row.also ?? [])];
}
