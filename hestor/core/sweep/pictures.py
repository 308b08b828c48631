"""Pictures that say nothing to a screen reader (WCAG 2.2, 1.1.1; HTML, 4.8.4.4)."""

from collections.abc import Iterator

import regex

from hestor.core.reading.source import Element, Source
from hestor.core.sweep.stray import Stray

_FILE_NAME = regex.compile(
    r"(?:(?:[^.]*+\.)++(?:jpe?g|png|gif|webp|avif|svg|bmp|tiff?)|(?:img|dsc|dscn|dscf|pict|image|photo|foto|bild|imagen|screenshot)[ _-]?\d+)",
    regex.IGNORECASE,
)
# Words that say of a picture only that it is one.
_ONLY_A_PICTURE = frozenset(
    "image images picture photo photograph graphic img pic bild foto grafik abbildung imagen foto fotografía photo image "
    "illustration immagine afbeelding imagem صورة untitled unbenannt".split()
)
_NAMED_BY = ("aria-label", "aria-labelledby", "title")


def undescribed(source: Source) -> Iterator[Stray]:
    """Pictures without a description. An empty one says that a picture only decorates, and is right."""
    for element in source.all("img"):
        if _is_hidden(source, element):
            continue
        if "alt" not in element.attributes:
            if not any(element.get(name) for name in _NAMED_BY):
                yield _stray(source, element, "", 0.95)
        elif _FILE_NAME.fullmatch(alt := element.get("alt")) or alt.lower() in _ONLY_A_PICTURE:
            yield _stray(source, element, element.get("alt"), 0.85)
        elif not element.get("alt") and _is_whole_link(source, element):
            yield _stray(source, element, "", 0.85)
    for element in source.all("svg"):
        # A drawing within the page is a picture where it says so (SVG-AAM).
        if element.get("role") == "img" and not _is_hidden(source, element) and not _is_named(source, element):
            yield _stray(source, element, "", 0.85)
    for element in (*source.all("area"), *source.all("input")):
        is_picture = (element.tag == "area" and element.get("href")) or element.get("type").lower() == "image"
        if is_picture and not element.get("alt") and not any(element.get(name) for name in _NAMED_BY):
            yield _stray(source, element, "", 0.9)


def _is_named(source: Source, element: Element) -> bool:
    inside = (
        each_element
        for each_element in source.all("title", "desc", "text")
        if element.start < each_element.start < element.closes
    )
    return any(element.get(name) for name in _NAMED_BY) or any(True for _ in inside)


def _stray(source: Source, element: Element, says: str, sure: float) -> Stray:
    return Stray("alt_missing", source.path, "alt", element.start, element.end, says, "", sure)


def _is_hidden(source: Source, element: Element) -> bool:
    if element.get("role") in ("presentation", "none"):
        return True
    return any(
        each_element.get("aria-hidden") == "true" or "hidden" in each_element.attributes
        for each_element in source.above(element.number)
    )


def _is_whole_link(source: Source, element: Element) -> bool:
    """Whether a picture is all that a link says."""
    link = next(
        (
            each_element
            for each_element in source.above(element.number)
            if each_element.tag == "a" and "href" in each_element.attributes
        ),
        None,
    )
    if link is None or any(link.get(name) for name in _NAMED_BY):
        return False
    inside = [each_element for each_element in source.all("img") if link.start < each_element.start < link.closes]
    if any(one.get("alt") for one in inside):
        return False
    return not regex.search(r"[\p{L}\p{N}]", regex.sub(r"<[^>]*+(?:>|\Z)", "", source.text[link.end : link.closes]))
