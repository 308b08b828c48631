/** Moves a row that is wider than its place so that one of its items stands in the middle; the page itself stays. */
export function centerInRow(row: HTMLElement | null, item: string): void {
  const chosen = row?.querySelector(item);
  if (!row || !chosen) return;
  const [place, its] = [row.getBoundingClientRect(), chosen.getBoundingClientRect()];
  // Relative, so that it is right from either end.
  row.scrollBy({ left: its.left + its.width / 2 - (place.left + place.width / 2) });
}
