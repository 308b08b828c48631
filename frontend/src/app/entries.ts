import { matchSorter } from "match-sorter";

export type Kind = "action" | "fact" | "page" | "picture" | "edition" | "site";

/** Something that can be found: what it is called, what else tells it apart, and what choosing it does. */
export interface Entry {
  key: string;
  kind: Kind;
  title: string;
  more: string;
  /** Further words by which it is found, though they are not shown. */
  words?: string;
  go: () => void;
}

const MOST_SHOWN = 40;

/** The entries that fit what was typed, the best first. Each word has to fit; accents and case don't matter. */
export function found(entries: Entry[], typed: string): Entry[] {
  const words = typed.trim().split(/\s+/).filter(Boolean);
  const keys = ["title", "more", "words"];
  const fit = words.reduceRight(
    (left, word) => matchSorter(left, word, { keys, threshold: matchSorter.rankings.CONTAINS }),
    entries,
  );
  return fit.slice(0, MOST_SHOWN);
}
