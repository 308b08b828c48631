"""Makes ``hestor/core/dates/calendar_names`` from the CLDR data that Node has with its ICU.

``python -m scripts.calendar_names``, when Node brings newer data.
"""

import json
import re
import subprocess
from pathlib import Path
from typing import Any

from babel import Locale
from babel.localedata import locale_identifiers

TOP = Path(__file__).parents[1]
OUT = TOP / "hestor" / "core" / "dates" / "calendar_names"
_HEAD = '"""CLDR {} (Unicode License v3). Made by ``scripts/calendar_names.py``."""\n\n'
# Those whose months are the Gregorian ones, which Babel knows.
_GREGORIAN = ("buddhist", "japanese", "roc")
_MONTHS = {
    "coptic": 13, "ethiopic": 13, "hebrew": 13, "indian": 12, "islamic": 12, "persian": 12,
    **dict.fromkeys(_GREGORIAN, 12),
}  # fmt: skip
_ERAS = {
    "japanese": ["1900-06-05", "1920-06-05", "1950-06-05", "2000-06-05", "2026-06-05"],
}
_ASK = r"""
const [calendar, tags, eras] = JSON.parse(process.argv[1]);
const DAY = 86400000, first = Date.UTC(2024, 0, 1);
const parts = (tag, day) => new Intl.DateTimeFormat(tag, { calendar, dateStyle: "long", timeZone: "UTC" })
  .formatToParts(new Date(day));
const numbers = new Intl.DateTimeFormat("en-u-nu-latn", { calendar, dateStyle: "long", timeZone: "UTC" });
const inNumbers = { calendar, month: "numeric", day: "numeric", timeZone: "UTC" };
const numeric = new Intl.DateTimeFormat("en-u-nu-latn", inNumbers);
const of = (format, type, day) => format.formatToParts(new Date(day)).find((part) => part.type === type)?.value;
const months = {};
for (let at = 0; at < 1200; at += 1) {
  const day = first + at * DAY;
  const name = calendar === "hebrew" ? of(numbers, "month", day) : of(numeric, "month", day);
  if (of(numeric, "day", day) === "5") months[name] ??= day;
}
const found = tags.map((tag) => {
  let supported = true;
  try { supported = Intl.DateTimeFormat.supportedLocalesOf(tag).length > 0; } catch { supported = false; }
  if (!supported) return null;
  const months_ = Object.fromEntries(Object.entries(months).map(([name, day]) =>
    [name, parts(tag, day).find((part) => part.type === "month")?.value]));
  // The first year of an era has a name in some languages.
  const some = calendar === "japanese" ? Date.parse("2019-06-05") : Object.values(months)[0];
  return { form: parts(tag, some), months: months_, eras: eras.map((day) =>
    parts(tag, Date.parse(day)).find((part) => part.type === "era")?.value ?? "") };
});
console.log(JSON.stringify({ cldr: process.versions.cldr, found }));
"""
_PREFERRED = r"""
const codes = JSON.parse(process.argv[1]);
console.log(JSON.stringify(Object.fromEntries(
  codes.map((code) => new Intl.Locale(`und-${code}`))
    .map((locale) => [locale.region, locale.getCalendars?.() ?? locale.calendars]))));
"""
_HEBREW = "Tishri Heshvan Kislev Tevet Shevat|Adar I|Adar Nisan Iyar Sivan Tamuz Av Elul|Adar II"


def _hebrew_order() -> list[str]:
    first, leap, rest, second = _HEBREW.split("|")
    return [*first.split(), leap, *rest.split(), second]


def _quoted(text: str) -> str:
    doubled = text.replace("'", "''")
    return f"'{doubled}'" if re.search("[A-Za-z]", doubled) else doubled


def _form(parts: list[dict[str, str]]) -> tuple[str, str]:
    """The form of a long date (UTS 35), and the numbers it is written in, if they are no digits."""
    form = numbers = ""
    for part in parts:
        value, kind = part["value"], part["type"]
        if kind == "day":
            is_number = any(one.isdecimal() for one in value)
            numbers = numbers if is_number else "hebr"
            form += "dd" if len(value) == 2 and is_number else "d"
        elif kind == "month":
            form += "M" if value.isdecimal() else "MMMM"
        elif kind in ("year", "relatedYear"):
            numbers = numbers or ("" if any(one.isdecimal() for one in value) else "jpanyear")
            form += "y"
        elif kind == "era":
            form += "G"
        else:
            form += _quoted(value)
    return form, numbers


def _row(calendar: str, found: dict[str, Any]) -> tuple[str, str, str, str]:
    form, numbers = _form(found["form"])
    named = found["months"]
    order = _hebrew_order() if calendar == "hebrew" else [str(n + 1) for n in range(_MONTHS[calendar])]
    months = "" if calendar in _GREGORIAN or "MMMM" not in form else "|".join(named[name] for name in order)
    return form, numbers, months, "|".join(found["eras"]) if "G" in form else ""


def _countries() -> str:
    """The calendars in use in each country, where there are others than the Gregorian."""
    codes = sorted(code for code in Locale("en").territories if len(code) == 2 and code.isalpha())
    answer = subprocess.run(["node", "-e", _PREFERRED, json.dumps(codes)], capture_output=True, check=True, text=True)
    listed = {code: known for code, known in json.loads(answer.stdout).items() if known != ["gregory"]}
    lines = "".join(f'    "{code}": "{" ".join(known)}",\n' for code, known in listed.items())
    return f"{_HEAD.format('')}USED_IN = {{\n{lines}}}\n"


def _source(calendar: str, tags: list[str]) -> str:
    given = json.dumps(
        [calendar if calendar != "islamic" else "islamic-civil", tags, _ERAS.get(calendar, ["2026-06-05"])]
    )
    answer = subprocess.run(["node", "-e", _ASK, given], capture_output=True, check=True, text=True)
    said = json.loads(answer.stdout)
    rows: dict[tuple[str, str, str, str], list[str]] = {}
    for tag, found in zip(tags, said["found"], strict=True):
        if found:
            rows.setdefault(_row(calendar, found), []).append(tag)
    lines = "".join(f"    ({' '.join(known)!r}, {', '.join(map(repr, row))}),\n" for row, known in rows.items())
    return f"{_HEAD.format(said['cldr'])}ROWS = (\n{lines})\n"


def main() -> None:
    """Writes a module for each calendar, and one of the countries."""
    (OUT / "countries.py").write_text(_countries())
    tags = sorted(one.replace("_", "-") for one in locale_identifiers() if one != "root" and "POSIX" not in one)
    for calendar in _MONTHS:
        (OUT / f"{calendar}.py").write_text(_source(calendar, tags))


if __name__ == "__main__":
    main()
