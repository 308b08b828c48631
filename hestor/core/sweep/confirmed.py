"""Whether a page, as a visitor gets it, says the facts of its house style: read back by what any browser reads."""

from collections.abc import Iterator

from hestor.core.facts.document import Facts
from hestor.core.pages.parts import Part
from hestor.core.places.reading import PageReading


def outdated(html: bytes, facts: Facts, left_out: tuple[Part, ...]) -> Iterator[str]:
    """The keys of facts that the page says otherwise; what it leaves out by choice is not missed."""
    page = PageReading(html)
    if page.language != facts.language:
        yield "language"
    if "header" not in left_out and facts.header_parts and page.site_name and page.site_name != facts.name:
        yield "name"
    if page.share_site and page.share_site != facts.name:
        yield "name"
    if facts.tagline and page.tagline and page.tagline != facts.tagline:
        yield "tagline"
