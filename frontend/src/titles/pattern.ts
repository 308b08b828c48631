/** A part of a pattern as it is drawn: a fill-in by its name, or words as they were typed. */
export type Piece = { kind: "fill"; name: string } | { kind: "text"; text: string };

/** The parts of a pattern, a text between any two fill-ins and at both ends, so that words can be put there. */
export function pieces(pattern: string): Piece[] {
  const found: Piece[] = [];
  let at = 0;
  for (const match of pattern.matchAll(/\{\s*([^{}]*?)\s*\}/g)) {
    found.push({ kind: "text", text: pattern.slice(at, match.index) }, { kind: "fill", name: match[1] ?? "" });
    at = match.index + match[0].length;
  }
  return [...found, { kind: "text", text: pattern.slice(at) }];
}

/** The pattern that parts make. */
export function joined(parts: readonly Piece[]): string {
  return parts.map((part) => (part.kind === "fill" ? `{${part.name}}` : part.text)).join("");
}

/** The parts with a fill-in changed for the next one on a side; the words between stay where they are. */
export function moved(parts: readonly Piece[], at: number, by: -1 | 1): Piece[] {
  const fills = parts.flatMap((part, index) => (part.kind === "fill" ? [index] : []));
  const other = fills[fills.indexOf(at) + by];
  const next = [...parts];
  const [one, two] = [parts[at], other === undefined ? undefined : parts[other]];
  if (other === undefined || !one || !two) return next;
  next[at] = two;
  next[other] = one;
  return next;
}

/** The parts without a fill-in, and without the words that parted it from the one before (of the first: behind it). */
export function removed(parts: readonly Piece[], at: number): Piece[] {
  const isFirst = !parts.slice(0, at).some((part) => part.kind === "fill");
  return parts.filter((_, index) => index !== at && index !== (isFirst ? at + 1 : at - 1));
}
