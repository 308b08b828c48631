import { BAND_IDS, FACTS } from "../api/facts.gen";
import type { FactKey } from "./changes";

type Spec = (typeof FACTS)[number];
export type Editor = Spec["editor"];
export type BandId = (typeof BAND_IDS)[number];

/** A proof that a row shows: a place, on the chosen page or on the home page, in a variant. */
export interface Slot {
  place: Spec["slots"][number]["place"];
  home?: true;
  variant?: "dark" | "phone" | "round" | "rounded" | "bookmark";
}

/** A row of the sheet: the fact that it is about, and further ones that are edited in it. */
export interface Row {
  key: FactKey;
  keys: FactKey[];
  editor: Editor;
  size: Spec["size"];
  slots: readonly Slot[];
  /** Whether an owner may say it once for all sites. */
  common: boolean;
}

/** A part of the sheet: what every site needs, then the rest by band. */
export type PartId = "needed" | BandId;

export interface Part {
  id: PartId;
  rows: Row[];
}

export function specOf(key: string): Spec | undefined {
  return FACTS.find((fact) => fact.key === key);
}

/** How many characters a text may have, or how wide a picture may be; undefined where there is no such thing. */
export function mostOf(key: string): number | undefined {
  const spec = specOf(key);
  return spec && "most" in spec ? spec.most : undefined;
}

export function leastOf(key: string): number | undefined {
  const spec = specOf(key);
  return spec && "least" in spec ? spec.least : undefined;
}

/** Whether a fact is a text that may hold fill-ins. */
export function takesFillIns(key: string): boolean {
  return specOf(key)?.takesFillIns ?? false;
}

function rowOf(spec: Spec): Row {
  const further = FACTS.filter((fact) => fact.within === spec.key).map((fact) => fact.key);
  const { key, editor, size, slots, common } = spec;
  return { key, keys: [key, ...further], editor, size, slots, common };
}

function partOf(id: PartId, fits: (spec: Spec) => boolean): Part {
  return { id, rows: FACTS.filter((fact) => fact.within === null && fits(fact)).map(rowOf) };
}

/** The sheet, as the facts' specs lay it out: what every site needs, then the other rows by band, in order. */
export const PARTS: Part[] = [
  partOf("needed", (fact) => fact.needed),
  ...BAND_IDS.map((id) => partOf(id, (fact) => fact.band === id && !fact.needed)),
].filter((part) => part.rows.length > 0);

/** The rows of the whole sheet. */
export const ROWS: Row[] = PARTS.flatMap((part) => part.rows);

/** The row in which each fact is edited. */
export const ROW_OF = new Map<string, Row>(ROWS.flatMap((row) => row.keys.map((key) => [key, row] as const)));

/** The part of the sheet that a row stands in. */
export const PART_OF = new Map<string, PartId>(
  PARTS.flatMap((part) => part.rows.map((row) => [row.key, part.id] as const)),
);

/** The facts from which pictures are drawn. */
export const VISUAL: FactKey[] = FACTS.filter((fact) => fact.visual).map((fact) => fact.key);
