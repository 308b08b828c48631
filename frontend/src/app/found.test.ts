// @vitest-environment happy-dom
import { readFileSync } from "node:fs";
import { resolve } from "node:path";
import i18next from "i18next";
import { describe, expect, it } from "vitest";
import { ROWS } from "../draft/facts";
import { speak, type DeskLanguage } from "../i18n/i18n";
import { found, type Entry } from "./entries";
import { ACTIONS, foundWords, fetchWords, SITE_VIEWS, SPOTS } from "./foundWords";

const LANGUAGES: DeskLanguage[] = ["en", "de", "es", "fr", "ar"];

/** Words that people type, and the things that they mean; written down before anything was found by them. */
function everyday(language: string): [string, string][] {
  const path = resolve(import.meta.dirname, `../../../tests/data/everyday/${language}.txt`);
  return readFileSync(path, "utf8")
    .split("\n")
    .filter((line) => line.includes(":"))
    .flatMap((line) => {
      const [target = "", words = ""] = line.split(/:(.*)/s);
      return words.split(",").map((word): [string, string] => [word.trim(), target]);
    });
}

/** What the finder lists of a site, with pages whose titles say what facts say, too. */
function entries(): Entry[] {
  const t = (key: string) => i18next.t(key);
  const listed = [
    ...ACTIONS.map((key) => ({ key: `action ${key}`, kind: "action", title: t(`finder.action.${key}`) }) as const),
    ...SITE_VIEWS.map((key) => ({ key: `view ${key}`, kind: "view", title: t(`view.${key}`) }) as const),
    ...SPOTS.map((key) => ({ key: `part ${key}`, kind: "view", title: t("siteAddress.title") }) as const),
    ...ROWS.flatMap((row) => row.keys).map(
      (key) => ({ key: `fact ${key}`, kind: "fact", title: t(`factName.${key}`) }) as const,
    ),
    { key: "page 1", kind: "page", title: t("factName.opening_hours") } as const,
    { key: "page 2", kind: "page", title: t("band.contact.title") } as const,
  ];
  return listed.map((one) => ({ ...one, more: "", words: foundWords(one.key), go: () => undefined }));
}

describe.each(LANGUAGES)("in %s", (language) => {
  it("finds what people mean by everyday words among the first three", async () => {
    await speak(language);
    await fetchWords(language);
    const all = entries();
    const words = everyday(language);
    expect(words.length).toBeGreaterThan(200);
    const missed = words.filter(
      ([typed, target]) =>
        !found(all, typed)
          .slice(0, 3)
          .some((entry) => entry.key === target),
    );
    expect(missed.map(([typed, target]) => `${typed} → ${target}`)).toEqual([]);
  });

  it("forgives a slip in longer words", async () => {
    await speak(language);
    await fetchWords(language);
    const all = entries();
    // Each word with two letters in the wrong order, and with one left out.
    const slipped = everyday(language)
      .filter(([word]) => word.length >= 6 && !word.includes(" "))
      .flatMap(([word, target]) => {
        const letters = Array.from(word);
        const swapped = [...letters.slice(0, 2), letters[3], letters[2], ...letters.slice(4)].join("");
        return [
          [swapped, target],
          [[...letters.slice(0, 3), ...letters.slice(4)].join(""), target],
        ] as const;
      });
    const missed = slipped.filter(
      ([typed, target]) =>
        !found(all, typed)
          .slice(0, 5)
          .some(({ key }) => key === target),
    );
    expect(missed.length / slipped.length).toBeLessThan(0.05);
  });
});

describe("of what fits", () => {
  const entry = (title: string, words: string[] = []): Entry => ({
    key: title,
    kind: "fact",
    title,
    more: "",
    words,
    go: () => undefined,
  });
  it("what is called so comes before what has it within", () => {
    const all = [entry("Icon of a page"), entry("Icon"), entry("Emoticon")];
    expect(found(all, "icon").map(({ title }) => title)).toEqual(["Icon", "Icon of a page", "Emoticon"]);
  });
  it("words may come in any order, with or without accents", () => {
    expect(found([entry("Página de inicio")], "inicio pagina")).toHaveLength(1);
  });
  it("what says a word comes after what is called by it", () => {
    const all = [{ ...entry("A page"), text: "phon" }, entry("Telephone", ["phone"])];
    expect(found(all, "phon").map(({ title }) => title)).toEqual(["Telephone", "A page"]);
  });
  it("nothing is made up", () => {
    expect(found([entry("Icon")], "tagline")).toEqual([]);
  });
});
