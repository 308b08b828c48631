// @vitest-environment happy-dom
import { expect, it, vi } from "vitest";
import ar from "./ar.json";
import de from "./de.json";
import en from "./en.json";
import later from "./en.later.json";
import es from "./es.json";
import fr from "./fr.json";
import i18next, { firstLanguage, regional, speak, spoken } from "./i18n";

const FORM = /_(zero|one|two|few|many|other)$/;

function flat(words: object, before = ""): Record<string, string> {
  return Object.fromEntries(
    Object.entries(words).flatMap(([key, value]: [string, unknown]) =>
      typeof value === "object" && value
        ? Object.entries(flat(value, `${before}${key}.`))
        : [[before + key, String(value)]],
    ),
  );
}

const english = flat({ ...en, ...later });

it.each([
  ["de", de],
  ["es", es],
  ["fr", fr],
  ["ar", ar],
])("speaks %s whole, in every plural form", (tag, words) => {
  const said = flat(words);
  const plain = (keys: Record<string, string>) => new Set(Object.keys(keys).map((key) => key.replace(FORM, "")));
  expect(plain(said)).toEqual(plain(english));
  const forms = new Intl.PluralRules(tag).resolvedOptions().pluralCategories;
  for (const key of Object.keys(english).filter((one) => one.endsWith("_other")))
    for (const form of forms) expect(said, `${key} in ${form}`).toHaveProperty([key.replace(FORM, `_${form}`)]);
  const untranslated = Object.keys(english).filter(
    (key) => english[key] === said[key] && (english[key] ?? "").split(" ").length > 3,
  );
  // But for those that are made of values alone.
  expect(untranslated.filter((key) => /[a-z]{2}/.test((english[key] ?? "").replace(/{{\w+}}/g, "")))).toEqual([]);
});

it("begins with what was chosen, else with the first of the browser's languages that it knows", () => {
  expect(firstLanguage("a=b; desk_language=ar", ["de-CH"])).toBe("ar");
  expect(firstLanguage("", ["it-CH", "de-CH", "en"])).toBe("de");
  expect(firstLanguage("desk_language=xx", ["ja"])).toBe("en");
  expect(spoken("en-GB")).toBe("en");
});

it("writes German as the browser's region does", async () => {
  expect(regional("de", ["fr-CH", "de-ch", "de"])).toBe("de-CH");
  expect(regional("de", ["de-AT", "de-CH"])).toBe("de");
  expect(regional("en-GB", ["de-CH"])).toBe("en-GB");
  vi.spyOn(navigator, "languages", "get").mockReturnValue(["de-CH"]);
  await speak("de");
  expect(document.documentElement.lang).toBe("de-CH");
  const words = JSON.stringify(i18next.getResourceBundle("de-CH", "translation"));
  expect(words).not.toMatch(/[ß„“]/);
  expect(words).toContain("«");
});
