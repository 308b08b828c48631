/** An element as one picture (PNG), as it is drawn now; the means for it are fetched when they are first needed. */
export async function pictureOf(element: HTMLElement): Promise<Blob> {
  const { toBlob } = await import("html-to-image");
  await document.fonts.ready;
  // Twice as many pixels as on the screen, so that it can be printed; less where that is more than a canvas holds.
  const most = 16_000;
  const ratio = Math.min(2, most / element.scrollHeight, most / element.scrollWidth);
  const made = await toBlob(element, {
    pixelRatio: ratio,
    backgroundColor: getComputedStyle(document.body).backgroundColor,
    filter: (node) => !(node instanceof HTMLElement && node.dataset["print"] === "no"),
  });
  if (!made) throw new Error("the board could not be drawn");
  return made;
}

/** Has a file saved under a name. */
export function save(file: Blob, name: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(file);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
