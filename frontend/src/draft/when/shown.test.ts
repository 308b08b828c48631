import { expect, it } from "vitest";
import { shown, valueOf, wayOf } from "./shown";

it("writes days in the desk's language, the way of the site's country", () => {
  expect(shown("day", "2026-12-04", wayOf("en-GB", "de-CH", ""))).toBe("4 December 2026");
  expect(shown("day", "2026-12-04", wayOf("en", "en-US", ""))).toBe("December 4, 2026");
  expect(shown("day", "2026-12-04", wayOf("de", "en-US", ""))).toBe("4. Dezember 2026");
  expect(shown("day", "", wayOf("de", "en-US", ""))).toBe("");
});

it("has twelve hours where the site's own form of times has them, else as the country does", () => {
  const time = (language: string, form: string) => shown("time", "18:05", wayOf("en", language, form));
  expect(time("en-US", "")).toMatch(/^6:05.PM$/);
  expect(time("en-US", "HH:mm")).toBe("18:05");
  expect(time("fr-FR", "HH 'h' mm")).toBe("18:05");
  expect(time("de-DE", "h:mm a")).toMatch(/^0?6:05.pm$/i);
  expect(time("not a language", "HH:mm")).toBe("18:05");
});

it("makes a value only of all that is wanted", () => {
  const read = { day: "2026-12-04", at: null, says: "", errors: [] };
  expect(valueOf("day", read)).toBe("2026-12-04");
  expect(valueOf("moment", read)).toBe("");
  expect(valueOf("moment", { ...read, at: "18:00" })).toBe("2026-12-04T18:00");
  expect(shown("moment", "2026-12-04T18:00", wayOf("en-GB", "en-GB", ""))).toBe("4 December 2026, 18:00");
});
