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

export interface Band {
  id: BandId;
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

function rowOf(spec: Spec): Row {
  const further = FACTS.filter((fact) => fact.within === spec.key).map((fact) => fact.key);
  const { key, editor, size, slots, common } = spec;
  return { key, keys: [key, ...further], editor, size, slots, common };
}

/** The sheet, as the facts' specs lay it out: its bands and rows in order. */
export const BANDS: Band[] = BAND_IDS.map((id) => ({
  id,
  rows: FACTS.filter((fact) => fact.band === id && fact.within === null).map(rowOf),
}));

/** The row in which each fact is edited. */
export const ROW_OF = new Map<string, Row>(
  BANDS.flatMap((band) => band.rows).flatMap((row) => row.keys.map((key) => [key, row] as const)),
);

/** The facts from which pictures are drawn. */
export const VISUAL: FactKey[] = FACTS.filter((fact) => fact.visual).map((fact) => fact.key);
