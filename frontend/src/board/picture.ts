const FILE = /url\("?([^")]+)"?\)/;

async function asData(address: string): Promise<string> {
  const file = await (await fetch(address)).blob();
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(typeof reader.result === "string" ? reader.result : "");
    reader.onerror = () => reject(reader.error ?? new Error("unreadable"));
    reader.readAsDataURL(file);
  });
}

function facesOf(sheet: CSSStyleSheet): CSSFontFaceRule[] {
  try {
    return [...sheet.cssRules].filter((rule) => rule instanceof CSSFontFaceRule);
  } catch {
    // The rules of a sheet of another origin are nobody's to read.
    return [];
  }
}

/** The fonts that were fetched for what is shown, written into the picture: nothing is fetched by a picture. */
async function fonts(): Promise<string> {
  const fetched = new Set(performance.getEntriesByType("resource").map((one) => one.name));
  const faces = [...document.styleSheets].flatMap((sheet) =>
    facesOf(sheet).map((face) => ({ face, base: sheet.href ?? location.href })),
  );
  const written = faces.map(async ({ face, base }) => {
    const named = FILE.exec(face.style.getPropertyValue("src"))?.[1];
    const address = named ? new URL(named, base).href : "";
    if (!named || !fetched.has(address)) return "";
    return face.cssText.replace(named, await asData(address));
  });
  return (await Promise.all(written)).join("\n");
}

/** An element as one picture (PNG), as it is drawn now; the means for it are fetched when they are first needed. */
export async function pictureOf(element: HTMLElement): Promise<Blob> {
  const { toBlob } = await import("html-to-image");
  await document.fonts.ready;
  // Twice as many pixels as on the screen, so that it can be printed; less where that is more than a canvas holds.
  const most = 16_000;
  const ratio = Math.min(2, most / element.scrollHeight, most / element.scrollWidth);
  const made = await toBlob(element, {
    pixelRatio: ratio,
    fontEmbedCSS: await fonts(),
    backgroundColor: getComputedStyle(document.body).backgroundColor,
    filter: (node) => !(node instanceof HTMLElement && node.dataset["print"] === "no"),
  });
  if (!made) throw new Error("the board could not be drawn");
  return made;
}
