"""The house style that most pages agree on."""

from collections import Counter, defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any

from hestor.core.imaging import colours
from hestor.core.reading.source import Source
from hestor.core.sweep import brand, contacts, dates, hours, parts
from hestor.core.sweep.evidence import Evidence, evidence
from hestor.core.sweep.files import Files
from hestor.core.sweep.langs import is_tag
from hestor.core.sweep.pages_read import Page
from hestor.core.sweep.style import Style
from hestor.core.sweep.unset import home_of
from hestor.core.text import lines

_WEIGHTS = {"og:site_name": 3.0, "application-name": 2.0, "structured": 3.0, "header": 1.5, "title": 1.0, "footer": 1.0}
_APPLICATION = "application-name"
_SHARE = 0.3
_MARKS = "-–—|·•:»,.;"
_LONGEST_TITLE = 500


@dataclass(frozen=True)
class Usual:
    """What pages agree on, beyond what a style says in words."""

    style: Style
    date_forms: tuple[str, ...] = ()
    week: hours.Week = field(default_factory=dict)
    logo: brand.House | None = None
    icons: Mapping[str, brand.House] = field(default_factory=dict)
    wanted: frozenset[str] = frozenset()
    says: frozenset[str] = frozenset()


def _name(evidences: Sequence[Evidence]) -> str:
    scores: dict[str, float] = defaultdict(float)
    pages: Counter[str] = Counter()
    written: dict[str, Counter[str]] = defaultdict(Counter)
    for each_evidence in evidences:
        for where, said in set(each_evidence.names):
            key = said.casefold()
            scores[key] += _WEIGHTS[where]
            written[key][said] += 1
        pages.update({said.casefold() for _, said in each_evidence.names})
    likely = [key for key in scores if pages[key] >= max(1, _SHARE * len(evidences)) and len(key) > 1]
    if not likely:
        return ""
    best = _whole(max(likely, key=lambda key: (scores[key], len(key))), likely, evidences)
    return written[best].most_common(1)[0][0]


def _whole(best: str, likely: Sequence[str], evidences: Sequence[Evidence]) -> str:
    """The name that one is only the short form of: where an application is named, pages often say the short one."""
    pages = Counter(
        key
        for each_evidence in evidences
        for key in {said.casefold() for where, said in each_evidence.names if where != _APPLICATION}
    )
    longer = [key for key in likely if pages[key] > pages[best] and f" {best} " in f" {key} "]
    return max(longer, key=lambda key: (pages[key], len(key)), default=best)


def _most(said: Iterable[str], least: int = 1) -> str:
    counted = Counter(one for one in said if one)
    best = counted.most_common(1)
    return best[0][0] if best and best[0][1] >= least else ""


def _language(evidences: Sequence[Evidence]) -> str:
    tags = [
        each_evidence.language.replace("_", "-")
        for each_evidence in evidences
        if is_tag(each_evidence.language.replace("_", "-"))
    ]
    return _most(tags)


def _tagline(pages: Sequence[Page], name: str) -> str:
    """What stands beside the name on the home page's title or in every header, and is not the name."""
    home = home_of([page.source.path for page in pages])
    source = next((page.source for page in pages if page.source.path == home), None)
    if source is None or not name or len(source.title) > _LONGEST_TITLE:
        return ""
    title = source.title
    for start, end in lines.occurrences(name, title, match_case=False):
        before, after = title[:start].rstrip(), title[end:].lstrip()
        is_apart = (not before or before[-1] in _MARKS) and (not after or after[0] in _MARKS)
        rest = (before + after).strip(f" {_MARKS}")
        if is_apart and len(rest.split()) > 2:
            return rest
    return ""


def usual(pages: Sequence[Page], files: Files, given: Style | None = None) -> Usual:
    """What the pages agree on; what a given style says stands before it."""
    sources = [page.source for page in pages]
    tag = (given.text("language") if given else "") or _most(_tags(sources)) or "en-GB"
    tag = tag if is_tag(tag) else "en-GB"
    country = contacts.country_of(Style({"language": tag, **({"time_zone": given.text("time_zone")} if given else {})}))
    found = [evidence(source, tag, country) for source in sources]
    facts = _facts(pages, found, tag)
    forms = dates.usual_forms([one.dates for one in found], tag)
    facts |= dict(zip(("date_long", "date_short"), forms, strict=False))
    week = hours.usual([one.hours for one in found])
    if week:
        facts["opening_hours"] = hours.as_fact(week)
    if given:
        kept = {"name", "short_name", "contact_email", "description", "tagline", "language", "date_long", "date_short"}
        facts = {key: said for key, said in facts.items() if key not in kept} | dict(given.facts)
    style = Style(facts, given.former if given else {})
    if given and "opening_hours" in given.facts:
        week = hours.week_of(given.facts["opening_hours"])
    return _with_brand(style, forms, week, pages, files, found, given)


def _tags(sources: Iterable[Source]) -> Iterable[str]:
    for source in sources:
        declared = (source.root.get("lang") if source.root else "").replace("_", "-")
        if is_tag(declared):
            yield declared


def _facts(pages: Sequence[Page], evidences: Sequence[Evidence], tag: str) -> dict[str, Any]:
    name = _name(evidences)
    facts: dict[str, Any] = {
        "name": name,
        "short_name": _short(evidences, name),
        "tagline": _tagline(pages, name),
        "language": _language(evidences),
        "contact_email": contacts.by_most(
            [each_evidence.emails for each_evidence in evidences if each_evidence.emails]
        ),
        "phone": contacts.by_most([each_evidence.phones for each_evidence in evidences if each_evidence.phones]),
        "brand_colour": _colour(_most((each_evidence.theme_colour for each_evidence in evidences), 2)),
    }
    return {key: said for key, said in facts.items() if said}


def _short(evidences: Sequence[Evidence], name: str) -> str:
    short = _most((each_evidence.short_name for each_evidence in evidences), 2)
    return short if short != name else ""


def _colour(said: str) -> str:
    try:
        return colours.read(said) if said else ""
    except ValueError:
        return ""


def _with_brand(
    style: Style,
    forms: tuple[str, ...],
    week: hours.Week,
    pages: Sequence[Page],
    files: Files,
    evidences: Sequence[Evidence],
    given: Style | None,
) -> Usual:
    name = style.text("name")
    headers = [[used] if (used := brand.header_logo(page.source, files, name)) else [] for page in pages]
    logo = brand.usual(headers, given.text("logo") if given else "", files)
    per_kind: dict[str, list[list[brand.Used]]] = defaultdict(list)
    for page in pages:
        named: dict[str, list[brand.Used]] = defaultdict(list)
        for kind, used in brand.icons_of(page.source, files):
            named[kind].append(used)
        for kind, uses in named.items():
            per_kind[kind].append(uses)
    icons = {
        kind: house
        for kind, uses in per_kind.items()
        if (house := brand.usual(uses, given.text("icon") if given and kind == "icon" else "", files))
    }
    facts = dict(style.facts)
    if logo and "logo" not in facts:
        facts["logo"] = logo.example
    if "icon" in icons and "icon" not in facts:
        facts["icon"] = icons["icon"].example
    whole = Style(facts, style.former)
    return Usual(whole, forms, week, logo, icons, _parts(pages), _says(whole, pages, evidences, files))


def _parts(pages: Sequence[Page]) -> frozenset[str]:
    return parts.usual([page.parts for page in pages])


def _says(style: Style, pages: Sequence[Page], evidences: Sequence[Evidence], files: Files) -> frozenset[str]:
    """Which facts some page says."""
    home = home_of([page.source.path for page in pages])
    described = next(
        (
            each_evidence.description
            for page, each_evidence in zip(pages, evidences, strict=True)
            if page.source.path == home
        ),
        "",
    )
    has_icon = any(list(brand.icons_of(page.source, files)) for page in pages) or files.at("favicon.ico") is not None
    reached = any(each_evidence.emails or each_evidence.phones for each_evidence in evidences) or any(
        list(page.source.all("form")) for page in pages
    )
    said = {
        "name": bool(style.text("name")),
        "description": bool(described),
        "icon": has_icon,
        "contact_email": reached,
    }
    return frozenset(key for key, is_said in said.items() if is_said)
