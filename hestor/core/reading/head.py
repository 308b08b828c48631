"""What a page says in its head: to the browser, to search engines, to programs that show a shared address."""

import json
import re
from collections.abc import Iterator, Mapping
from typing import Any

from propcache.api import cached_property

from hestor.core.reading.tree import ImageReading, Tree, number, said
from hestor.core.text.lines import folded

ADDED_BEGIN, ADDED_END = "<!-- added code -->", "<!-- end of added code -->"
"""What stands around the code of others."""
_ADDED = re.compile(f"{ADDED_BEGIN}(.*?){ADDED_END}", re.DOTALL)
_RECORDS = 'script[type="application/ld+json" i]'


class HeadReading(Tree):
    """The head, read. What a page does not say reads as an empty text."""

    @cached_property
    def _root(self) -> Mapping[str, str]:
        return self.source.root.attributes if self.source.root else {}

    @cached_property
    def _metas(self) -> Mapping[str, str]:
        return {name: folded(element.attributes.get("content")) for name, element in self.source.metas.items()}

    @cached_property
    def _links(self) -> list[tuple[list[str], str, str]]:
        """The page's link elements: what they are to it, their media type, their address."""
        links = (one for one in self.source.all("link") if "href" in one.attributes)
        return [(one.get("rel").lower().split(), one.get("type"), folded(one.get("href"))) for one in links]

    def _link(self, rel: str, *types: str) -> str:
        """The address of the first link of a relation; of the first of ``types`` that there is, else of any."""
        found = [(kind, href) for rels, kind, href in self._links if rel in rels]
        for wanted in types:
            if href := next((href for kind, href in found if kind == wanted), ""):
                return href
        return found[0][1] if found else ""

    def meta(self, name: str) -> str:
        """What the first meta element of a name or property says."""
        return self._metas.get(name, "")

    @cached_property
    def title(self) -> str:
        """What a browser tab shows."""
        return self.source.title

    @cached_property
    def language(self) -> str:
        """The page's declared language (BCP 47)."""
        return folded(self._root.get("lang"))

    @cached_property
    def direction(self) -> str:
        """The page's declared direction: ``ltr`` or ``rtl``."""
        return folded(self._root.get("dir"))

    @cached_property
    def root_classes(self) -> str:
        """The classes of the page's root, by which its stylesheet sets all of it otherwise."""
        return folded(self._root.get("class"))

    @cached_property
    def description(self) -> str:
        """What a search result shows below the title."""
        return self.meta("description")

    @cached_property
    def canonical(self) -> str:
        """The page's own address."""
        return self._link("canonical")

    @cached_property
    def theme_colour(self) -> str:
        """The colour that the page asks the browser's frame to take."""
        return self.meta("theme-color")

    @cached_property
    def short_name(self) -> str:
        """What the page is called on a home screen."""
        return self.meta("apple-mobile-web-app-title") or self.meta("application-name")

    @cached_property
    def named(self) -> frozenset[str]:
        """What the head says that the site is called."""
        return frozenset((self.share_site, self.meta("application-name"))) - {""}

    @cached_property
    def keywords(self) -> str:
        """The keywords in the page's head."""
        return self.meta("keywords")

    @cached_property
    def tab_icon(self) -> str:
        """The icon that a tab takes: a drawing where there is one, else pixels."""
        return self._link("icon", "image/svg+xml", "image/png")

    @cached_property
    def share(self) -> ImageReading | None:
        """The picture that stands for the page where its address is shared (the Open Graph protocol)."""
        src, alt, width, height = (self.meta(f"og:image{part}") for part in ("", ":alt", ":width", ":height"))
        return ImageReading(src, alt, number(width), number(height)) if src else None

    @cached_property
    def share_title(self) -> str:
        """The title that goes with the share picture."""
        return self.meta("og:title")

    @cached_property
    def share_description(self) -> str:
        """The description that goes with the share picture."""
        return self.meta("og:description")

    @cached_property
    def share_locale(self) -> str:
        """The language and the country of the page as it is shared."""
        return self.meta("og:locale")

    @cached_property
    def share_site(self) -> str:
        """The site's name as it goes with the share picture."""
        return self.meta("og:site_name")

    @cached_property
    def added_code(self) -> str:
        """The code of others in the page's head, as it is written."""
        match = _ADDED.search(self.source.text)
        return match[1] if match else ""

    @cached_property
    def structured_text(self) -> str:
        """The page's first structured data as it is written."""
        return self._text(_RECORDS)

    @cached_property
    def structured(self) -> dict[str, Any]:
        """The first schema.org record of the page, or an empty one."""
        try:
            found = json.loads(self.structured_text or "{}")
        except (ValueError, RecursionError):
            return {}
        return found if isinstance(found, dict) else {}

    def records(self) -> Iterator[dict[str, Any]]:
        """All records of structured data, those of a graph one by one (JSON-LD 1.1); what is no JSON is passed over."""
        for node in self.css(_RECORDS):
            try:
                records = json.loads(said(node))
            except (ValueError, RecursionError):
                continue
            graph = records.get("@graph") if isinstance(records, dict) else records
            for one in graph if isinstance(graph, list) else [records]:
                if isinstance(one, dict):
                    yield one
