interface Node {
  id: number;
  parent: number | null;
}

/** How deep each page stands below the top, by its id. A page whose parent is not listed stands at the top. */
export function depths(pages: Node[]): Map<number, number> {
  const parents = new Map(pages.map((page) => [page.id, page.parent]));
  const deep = new Map<number, number>();
  for (const { id } of pages) {
    let depth = 0;
    let above = parents.get(id) ?? null;
    while (above !== null && parents.has(above) && depth < pages.length) {
      depth += 1;
      above = parents.get(above) ?? null;
    }
    deep.set(id, depth);
  }
  return deep;
}
