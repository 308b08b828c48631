"""Writes what the front end lists, into its folder: the facts from their specs, their names in each language, and the
core's other lists.

Used as ``python -m hestor.config.export_facts frontend/src``.
"""

import json
import sys
from collections.abc import Iterable, Iterator, Mapping
from pathlib import Path
from typing import Any

from hestor import translations
from hestor.core.contact import details
from hestor.core.facts import bundles, document, frame
from hestor.core.facts.contact import ENQUIRY_DAYS
from hestor.core.facts.document import SPECS, Facts
from hestor.core.facts.spec import Band, FactSpec, Slot
from hestor.core.pages import faults, parts, titles
from hestor.core.pages.fields import NEVER_IN_MENU
from hestor.core.places.all import DRAWN, FILE_PLACES
from hestor.core.text import fillins

_HEAD = "// Made from the {made_from} by `make types`; never edited by hand.\n"
_IMPORT = 'import type { components } from "./schema";\n\n'


def _slot(slot: Slot) -> dict[str, Any]:
    home = {"home": True} if slot.home else {}
    return {"place": slot.place.value, **home, **({"variant": slot.variant.value} if slot.variant else {})}


def _fact(key: str, spec: FactSpec) -> dict[str, Any]:
    limits = {name: value for name, value in (("least", spec.least), ("most", spec.most)) if value is not None}
    return {
        "key": key,
        "band": spec.band.value,
        "editor": spec.editor,
        "size": spec.size,
        "within": spec.within or None,
        "visual": spec.visual,
        "takesFillIns": spec.takes_fill_ins,
        "common": spec.common,
        "quiet": spec.quiet,
        "needed": spec.needed,
        **limits,
        "slots": [_slot(slot) for slot in spec.slots],
    }


def _head(made_from: str) -> str:
    return _HEAD.format(made_from=made_from)


def _consts(lists: Mapping[str, Iterable[Any]]) -> Iterator[str]:
    """Constants, each of their entries a line."""
    for name, found in lists.items():
        entries = "".join(f"  {json.dumps(one)},\n" for one in found)
        yield f"export const {name} = [\n{entries}] as const;"


def facts_source() -> str:
    """The bands, the facts and what a site says of which only the name is known, as TypeScript."""
    facts = [_fact(key, spec) for key, spec in SPECS.items()]
    consts = _consts({"BAND_IDS": [band.value for band in Band], "FACTS": facts})
    return (
        "\n\n".join((_head("facts' specs (hestor/core/facts)") + _IMPORT + next(consts), *consts, _defaults())) + "\n"
    )


def lists_source() -> str:
    """What may be chosen, and in which order it stands, as TypeScript."""
    lists: dict[str, Iterable[Any]] = {
        "SPELLINGS": [{"tag": tag, "written": list(said.items())} for tag, said in translations.SPELLINGS.items()],
        "SPOKEN": translations.languages("public"),
        "DRAWN": [place.value for place in DRAWN],
        "FILE_PLACES": [each_place.place.value for each_place in FILE_PLACES],
        "ENQUIRY_DAYS": ENQUIRY_DAYS,
        "CONTACT_PARTS": details.PARTS,
        "HEADER_PARTS": frame.HEADER_PARTS,
        "ARRANGEMENTS": frame.ARRANGEMENTS,
        "WIDTHS": frame.WIDTHS,
        "FOLDS": frame.FOLDS,
        "LONG_RULES": titles.LONG_RULES,
        "FILL_INS": [{"name": text.partition(":")[0], "text": text} for text in fillins.OFFERED],
        "TITLE_FILL_INS": (*titles.OWN_FILL_INS, "site", "tagline"),
        "NEVER_IN_MENU": NEVER_IN_MENU,
        "BUNDLES": [bundle.value for bundle in bundles.Bundle],
        "TOLD_TO_SEVERAL": bundles.told_to_several(),
        "SHARED_PARTS": parts.PARTS,
        "TITLE_FIELDS": faults.FIELDS,
        "CONTACT_PAGE_PARTS": (*details.PARTS, *details.ON_PAGE),
    }
    drawn = "export type DrawnPlace = (typeof DRAWN)[number];"
    return "\n\n".join((_head("core's lists"), *_consts(lists), drawn)) + "\n"


def names_source(language: str) -> str:
    """What each fact is called in one of the desk's languages, as JSON: the names that the server says, too."""
    known = translations.catalogue("desk", language)
    return json.dumps({"factName": {key: known[f"fact.{key}"] for key in SPECS}}, ensure_ascii=False, indent=2) + "\n"


def sources() -> dict[str, str]:
    """All that is written, by its path in the front end's folder."""
    languages = translations.languages("desk")
    names = {f"i18n/facts.{language}.gen.json": names_source(language) for language in languages}
    return {"api/facts.gen.ts": facts_source(), "api/lists.gen.ts": lists_source(), **names}


def _defaults() -> str:
    """What a site says of which only the name is known."""
    said = json.dumps(document.plain(Facts(name="-")), indent=2)
    return f'export const DEFAULTS: components["schemas"]["Facts"] = {said};'


if __name__ == "__main__":
    for name, source in sources().items():
        (Path(sys.argv[1]) / name).write_text(source)
