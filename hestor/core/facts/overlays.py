"""What a site says otherwise in a further language: a layer over the facts in its main one."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

MAIN = ""
"""The site's main language, whichever that is: so that nothing has to be written anew when another is chosen."""


@dataclass(frozen=True)
class Overlay:
    """The facts that are said in one further language (BCP 47), by key; for the others the main language stands in."""

    language: str
    said: tuple[tuple[str, Any], ...] = ()

    @property
    def values(self) -> Mapping[str, Any]:
        """The values by key."""
        return dict(self.said)

    def saying(self, values: Mapping[str, Any]) -> "Overlay":
        """The same with other values; None takes one away, so that the main language's stands in again."""
        merged = {**self.values, **values}
        return Overlay(self.language, tuple(sorted((key, one) for key, one in merged.items() if one is not None)))


Overlays = tuple[Overlay, ...]


def of_language(overlays: Overlays, language: str) -> Overlay:
    """The layer of a language; one that says nothing, where there is none."""
    return next((layer for layer in overlays if layer.language == language), Overlay(language))


def with_layer(overlays: Overlays, layer: Overlay) -> Overlays:
    """The layers with one put in the place of that of its language; one that says nothing is left out."""
    others = [one for one in overlays if one.language != layer.language]
    return tuple(sorted([*others, *([layer] if layer.said else [])], key=lambda one: one.language))
