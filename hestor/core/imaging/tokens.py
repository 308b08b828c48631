"""Colours and typefaces as design tokens: the JSON format of the W3C Design Tokens Community Group (2025.10),
and CSS custom properties (W3C CSS Variables, level 1). Both are written, and both are read.
"""

import json
import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from typing import Any

from coloraide import Color

from hestor.core.errors import TokensRefused
from hestor.core.facts.document import Facts
from hestor.core.imaging import palettes, typefaces
from hestor.core.text.css import custom_properties

MOST_BYTES = 200_000
_DEEPEST = 12
_THEME_COLOURS = ("ground", "tint", "ink", "soft", "line", "band", "link", "button", "button_ink")
_ALIAS = re.compile(r"\{([^{}]+)\}")
_VAR = re.compile(r"var\(\s*--([\w-]+)\s*(?:,[^)]*)?\)")
_WORD_COLOUR = re.compile(r"^colou?r-|-colou?r$")
_SPACES = ("srgb", "display-p3", "oklch", "oklab", "hsl")
# What other people call the two colours that a site has, in the order in which a name is taken for one.
_BRAND_NAMES = ("brand", "primary", "main")
_ACCENT_NAMES = ("accent", "secondary", "highlight")


@dataclass(frozen=True)
class Found:
    """What a file of tokens says: facts by key, and every colour in it by its name."""

    facts: Mapping[str, str]
    colours: Mapping[str, str] = field(default_factory=dict)


def _colour_token(value: str) -> dict[str, Any]:
    parts = [round(part, 5) for part in Color(value).coords()]
    return {"$type": "color", "$value": {"colorSpace": "srgb", "components": parts, "alpha": 1, "hex": value}}


def _family_token(family: str, fallback: str) -> dict[str, Any]:
    return {"$type": "fontFamily", "$value": [family, *(part.strip() for part in fallback.split(","))]}


def to_json(facts: Facts) -> str:
    """The tokens of a site as JSON: its own colours, those derived for light and dark, its typefaces."""
    colour: dict[str, Any] = {"brand": _colour_token(facts.brand_colour)}
    if facts.accent_colour:
        colour["accent"] = _colour_token(facts.accent_colour)
    for name, theme in palettes.themes(facts.brand_colour, facts.accent_colour).items():
        colour[name] = {key.replace("_", "-"): _colour_token(getattr(theme, key)) for key in _THEME_COLOURS}
    pair = typefaces.PAIRS[facts.typefaces]
    font = {
        "heading": _family_token(pair.heading.family, pair.heading.fallback),
        "text": _family_token(pair.text.family, pair.text.fallback),
    }
    return json.dumps({"$description": facts.name, "color": colour, "font": font}, ensure_ascii=False, indent=2) + "\n"


def to_css(facts: Facts) -> str:
    """The same as CSS custom properties, the dark ones for visitors who ask for dark."""
    pair = typefaces.PAIRS[facts.typefaces]
    themes = palettes.themes(facts.brand_colour, facts.accent_colour)
    own = [f"--brand: {facts.brand_colour};"]
    own += [f"--accent: {facts.accent_colour};"] if facts.accent_colour else []
    own += [
        f'--font-{name}: "{face.family}", {face.fallback};'
        for name, face in (("heading", pair.heading), ("text", pair.text))
    ]
    light, dark = (
        [f"--{key.replace('_', '-')}: {getattr(themes[name], key)};" for key in _THEME_COLOURS]
        for name in ("light", "dark")
    )
    inner = "\n".join(f"  {line}" for line in own + light)
    darker = "\n".join(f"    {line}" for line in dark)
    return f":root {{\n{inner}\n}}\n@media (prefers-color-scheme: dark) {{\n  :root {{\n{darker}\n  }}\n}}\n"


def read(text: str) -> Found:
    """What a file of tokens says, be it JSON or CSS. Raises TokensRefused."""
    if len(text.encode()) > MOST_BYTES:
        raise TokensRefused("heavy")
    values = dict(_from_json(text) if text.lstrip().startswith("{") else _from_css(text))
    colours = {name: colour for name, value in values.items() if (colour := _colour_of(value))}
    facts = _facts_from(values, colours)
    if not facts and not colours:
        raise TokensRefused("none")
    return Found(facts, colours)


def _from_json(text: str) -> Iterator[tuple[str, Any]]:
    try:
        document = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise TokensRefused("broken") from error
    flat = dict(_tokens(document, "", 0))
    for name, value in flat.items():
        yield name, _resolved(value, flat)


def _tokens(group: Any, path: str, depth: int) -> Iterator[tuple[str, Any]]:
    if not isinstance(group, dict) or depth > _DEEPEST:
        return
    if "$value" in group:
        yield path, group["$value"]
        return
    for key, inner in group.items():
        if not key.startswith("$"):
            yield from _tokens(inner, f"{path}.{key}" if path else key, depth + 1)


def _resolved(value: Any, flat: Mapping[str, Any]) -> Any:
    """A value with its alias followed, such as ``{color.brand}``; one that leads nowhere is left as it is."""
    for _ in range(_DEEPEST):
        found = _ALIAS.fullmatch(value) if isinstance(value, str) else None
        if not found or found[1] not in flat:
            return value
        value = flat[found[1]]
    return value


def _from_css(text: str) -> Iterator[tuple[str, str]]:
    flat: dict[str, str] = {}
    for name, value in custom_properties(text):
        # The first is the one for light; a later one, within a query, is for some special case.
        flat.setdefault(name, value)
    for name, value in flat.items():
        for _ in range(_DEEPEST):
            match = _VAR.fullmatch(value)
            if not match or match[1] not in flat:
                break
            value = flat[match[1]]
        yield name, value


def _components(space: str, given: list[Any]) -> list[float]:
    """Components as coloraide takes them: the format has HSL's saturation and lightness in percent."""
    parts = [0.0 if part == "none" else float(part) for part in given]
    return [parts[0], *(part / 100 for part in parts[1:])] if space == "hsl" else parts


def _colour_of(value: Any) -> str | None:
    try:
        if isinstance(value, dict) and "components" in value:
            space = str(value.get("colorSpace"))
            if space not in _SPACES:
                return None
            parsed = Color(space, _components(space, value["components"]))
        elif isinstance(value, str):
            parsed = Color(value.strip())
        else:
            return None
        return str(parsed.convert("srgb").fit("srgb").to_string(hex=True, alpha=False))
    except (ValueError, KeyError, TypeError, AttributeError):
        return None


def _last(name: str) -> str:
    """The last part of a token's name, without the word colour in it."""
    return _WORD_COLOUR.sub("", name.rpartition(".")[2].lower())


def _facts_from(values: Mapping[str, Any], colours: Mapping[str, str]) -> dict[str, str]:
    facts: dict[str, str] = {}
    for key, wanted in (("brand_colour", _BRAND_NAMES), ("accent_colour", _ACCENT_NAMES)):
        for want in wanted:
            hit = next((colour for name, colour in colours.items() if _last(name) == want), None)
            if hit and key not in facts:
                facts[key] = hit
    families = {_family(value) for value in values.values()} - {""}
    for pair, faces in typefaces.PAIRS.items():
        if {faces.heading.family, faces.text.family} <= families and _heads(values, faces.heading.family):
            facts.setdefault("typefaces", pair)
    return facts


def _family(value: Any) -> str:
    first = value[0] if isinstance(value, list) and value else value.split(",")[0] if isinstance(value, str) else ""
    return str(first).strip(" \"'")


def _heads(values: Mapping[str, Any], family: str) -> bool:
    """Whether a token for headings names the family."""
    return any("heading" in name.lower() and _family(value) == family for name, value in values.items())
