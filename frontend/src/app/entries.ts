import levenshtein from "damerau-levenshtein";
import { matchSorter, rankings } from "match-sorter";

export type Kind = "action" | "view" | "fact" | "page" | "picture" | "edition" | "site";

/** Something that can be found: what it is called, what else tells it apart, and what choosing it does. */
export interface Entry {
  key: string;
  kind: Kind;
  title: string;
  more: string;
  /** What it stands in, where that is not plain. */
  where?: string;
  /** Further words by which it is found, though they are not shown: what people call it, and what else belongs to it. */
  words?: readonly string[];
  /** What it says within, by which it is found after all that is called so. */
  text?: string;
  go: () => void;
}

const MOST_SHOWN = 40;
/** Where fewer fit as they stand, slips are looked for. */
const ENOUGH = 3;
/** From how many letters on one slip is forgiven, and two. */
const [ONE_SLIP, TWO_SLIPS] = [4, 8];
const SPACES = /[\s،,;:/·–—-]+/u;

function folded(text: string): string {
  return text
    .normalize("NFKD")
    .replace(/\p{M}+/gu, "")
    .toLowerCase();
}

function tokens(text: string): string[] {
  return folded(text).split(SPACES).filter(Boolean);
}

/** The entries that have all that was typed, as it stands. What people call a thing counts as much as its title. */
function whole(entries: readonly Entry[], typed: string): Entry[] {
  return matchSorter(entries, typed, {
    keys: [
      "title",
      "words",
      { key: "more", maxRanking: rankings.WORD_STARTS_WITH },
      { key: "text", maxRanking: rankings.CONTAINS },
    ],
    threshold: rankings.CONTAINS,
    // Of what fits equally well, the desk's own things come first, in their order.
    baseSort: (one, other) => one.index - other.index,
  });
}

/** The entries that have each of the words that were typed, in whatever order. */
function inAnyOrder(entries: readonly Entry[], words: readonly string[]): Entry[] {
  return words.reduceRight<Entry[]>(
    (left, word) => matchSorter(left, word, { keys: ["title", "more", "words"], threshold: rankings.CONTAINS }),
    [...entries],
  );
}

/** How many slips a word is from another one, or from how it begins; too many are infinitely many. */
function slips(typed: string, word: string): number {
  const most = typed.length >= TWO_SLIPS ? 2 : typed.length >= ONE_SLIP ? 1 : 0;
  if (Math.abs(word.length - typed.length) > most) return Infinity;
  const { steps } = levenshtein(typed, word);
  return steps <= most ? steps : Infinity;
}

/** The entries that have all words but for slips, those with the fewest first. */
function withSlips(entries: readonly Entry[], words: readonly string[]): Entry[] {
  const counted = entries.flatMap((entry) => {
    const own = [entry.title, ...(entry.words ?? [])].flatMap(tokens);
    const count = words
      .flatMap(tokens)
      .map((word) => Math.min(...own.map((one) => slips(word, one))))
      .reduce((sum, one) => sum + one, 0);
    return Number.isFinite(count) ? [{ entry, count }] : [];
  });
  return counted.sort((one, other) => one.count - other.count).map(({ entry }) => entry);
}

/** The entries that fit what was typed, the best first. Accents and case don't matter, and slips are forgiven. */
export function found(entries: readonly Entry[], typed: string): Entry[] {
  const words = typed.trim().split(/\s+/).filter(Boolean);
  if (words.length === 0) return entries.slice(0, MOST_SHOWN);
  const fit = [...whole(entries, words.join(" ")), ...(words.length > 1 ? inAnyOrder(entries, words) : [])];
  const all = fit.length < ENOUGH ? [...fit, ...withSlips(entries, words)] : fit;
  return [...new Set(all)].slice(0, MOST_SHOWN);
}
