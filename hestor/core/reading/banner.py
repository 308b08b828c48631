"""What a page says in its header: the banner of WAI-ARIA, with the name, the logo, the menu.

On own pages name, tagline and notice are read by their marks. On pages of others the way home is the link of the
banner, outside of its menu, that leads to the site's first page; else the first link to a page, or the first heading
there, else all of it. What stands before it is a notice. Of the texts in it, that one is the name which the page's head
or the logo's description says, too; what else stands there is the tagline.

A picture without words of its own that is as wide as it is high is an icon, else a logo.
"""

import re

from propcache.api import cached_property

from hestor.core.reading.head import HeadReading
from hestor.core.reading.landmarks import SECTIONS
from hestor.core.reading.node import Node
from hestor.core.reading.tree import ImageReading, is_within, picture, said
from hestor.core.text.lines import folded

_HEADINGS = frozenset({"h1", "h2", "h3", "h4", "h5", "h6"})
_PASSED = frozenset({"nav", "script", "style", "template", "noscript", "form", "svg", "button", "ul", "ol"})
_PHRASING = frozenset({"abbr", "b", "bdi", "em", "i", "mark", "strong", "sub", "sup", "wbr"})
_WAYS = "a[href]:not([href^='#'], [href^='mailto:'], [href^='tel:']), h1, h2, h3"
_FIRST_PAGE = re.compile(r"(?:\.{0,2}/)*(?:\.{1,2})?(?:index\.html?)?")
_LINES = frozenset({"name", "tagline", "site_notice"})
"""The facts that a header says in lines of their own."""
_HEADERS = frozenset({"header"})
_MENU_OPENER = "nav > a[href^='#'], nav > button, nav > details > summary"


def _leads_home(node: Node, page: str) -> bool:
    """Whether a link leads to the first page of the site that ``page`` (an absolute address) is on."""
    href = folded(node.get("href"))
    if "home" in node.get("rel").lower().split():
        return True
    origin = "/".join(page.split("/")[:3])
    path = href.removeprefix(origin) if origin else href
    return bool(href) and _FIRST_PAGE.fullmatch(path) is not None


def _runs(node: Node, found_node: list[tuple[Node, str]]) -> None:
    """The texts within a node, each with the element that says it; emphasis within a text is part of it."""
    contents = list(node.contents())
    speaks = any(isinstance(part, str) and not part.isspace() for part in contents)
    if speaks:
        own = (part if isinstance(part, str) else part.text() if part.tag in _PHRASING else "" for part in contents)
        if text := folded("".join(own)):
            found_node.append((node, text))
    for child in node.children:
        if child.tag not in _PASSED and not (speaks and child.tag in _PHRASING):
            _runs(child, found_node)


class BannerReading(HeadReading):
    """The header, read."""

    @cached_property
    def _menu(self) -> Node | None:
        """The site's menu: the banner's, or one that stands beside the page's parts by itself."""
        if self._banner is not None and (node := self._banner.css_first("nav")) is not None:
            return node
        return next((node for node in self.css("nav") if not is_within(node, SECTIONS | {"footer"})), None)

    @cached_property
    def _home(self) -> Node | None:
        if self._banner is None:
            return None
        home: Node | None = None
        for node in self._banner.css(_WAYS):
            if is_within(node, _PASSED):
                continue
            home = home if home is not None else node
            if _leads_home(node, self.canonical):
                home = node
                break
        if home is not None and home.tag in _HEADINGS:
            return home.css_first("a[href]") or home
        return home

    @cached_property
    def _around_home(self) -> tuple[tuple[str, ...], tuple[str, ...]]:
        """What the banner says before the way home, and after it, without its menu."""
        before: list[str] = []
        after: list[str] = []
        found = [before]
        home = self._home

        def gather(node: Node) -> None:
            for child in node.contents():
                if isinstance(child, str):
                    found[0].append(child)
                elif child is home:
                    found[0] = after
                elif child.tag not in _PASSED:
                    gather(child)

        if self._banner is not None and home is not None:
            gather(self._banner)
        return tuple(filter(None, map(folded, before))), tuple(filter(None, map(folded, after)))

    @cached_property
    def _texts_home(self) -> tuple[tuple[Node, str], ...]:
        around = self._home if self._home is not None else self._banner
        found: list[tuple[Node, str]] = []
        if around is not None:
            _runs(around, found)
        return tuple(found)

    @cached_property
    def _image(self) -> Node | None:
        found = self._home.css_first("img") if self._home is not None else None
        if found is None and self._banner is not None:
            found = next((node for node in self._banner.css("img") if not is_within(node, _PASSED)), None)
        return found

    @cached_property
    def _name(self) -> tuple[Node, str] | None:
        """The element that says the name as text, and what it says."""
        if self.marks:
            marked = self.marks.get("name")
            return (marked, said(marked)) if marked is not None else None
        for one in self._texts_home:
            if one[1] in self.named:
                return one
        alt = self.logo.alt if self.logo else ""
        return next((one for one in self._texts_home if not alt or one[1].casefold() in alt.casefold()), None)

    @cached_property
    def site_name(self) -> str:
        """The name in the page's header, as it is read out: its text, else the logo's description."""
        return self._name[1] if self._name else self.logo.alt if self.logo else ""

    @cached_property
    def name_is_seen(self) -> bool:
        """Whether the header shows the name as text, not only in the logo."""
        return self._name is not None and not self._matches(self._name[0], self.style.clips)

    def _matches(self, node: Node, selectors: tuple[str, ...]) -> bool:
        """Whether one of a stylesheet's selectors takes an element of the header."""
        if not selectors or self._banner is None:
            return False
        return any(taken is node for taken in self._banner.css(", ".join(selectors)))

    @cached_property
    def tagline(self) -> str:
        """The tagline in the page's header."""
        if self.marks:
            return said(self.marks.get("tagline"))
        name = self._name[0] if self._name else None
        beside = next((text for node, text in self._texts_home if node is not name), "")
        return beside or next(iter(self._around_home[1]), "")

    @cached_property
    def notice(self) -> str:
        """The line at the top that all pages carry for a while."""
        return said(self.marks.get("site_notice")) if self.marks else " ".join(self._around_home[0])

    @cached_property
    def further(self) -> tuple[tuple[str, str], ...]:
        """What else the header says of facts, each by its key, in reading order."""
        found = ((key, node) for key, node in self.marks.items() if key not in _LINES)
        return tuple((key, said(node)) for key, node in found if is_within(node, _HEADERS))

    @cached_property
    def _is_icon(self) -> bool:
        if self._image is None:
            return False
        image = self._image
        return not folded(image.get("alt")) and image.get("width") == image.get("height")

    @cached_property
    def header_icon(self) -> ImageReading | None:
        """The icon in the header, where there is no logo."""
        return picture(self._image) if self._is_icon else None

    @cached_property
    def logo(self) -> ImageReading | None:
        """The logo in the header."""
        return None if self._is_icon else picture(self._image)

    @cached_property
    def logo_plates(self) -> str:
        """On which grounds a plate lies behind the logo: ``light``, ``dark``, ``both`` or nothing."""
        if self._image is None or self._is_icon:
            return ""
        light, dark = (self._matches(self._image, found) for found in (self.style.light_plates, self.style.dark_plates))
        return "both" if light and dark else "light" if light else "dark" if dark else ""

    def _source(self, media: str) -> ImageReading | None:
        """What stands in for the logo where a condition holds."""
        around = self._image.parent if self._image is not None and not self._is_icon else None
        if around is None or around.tag != "picture":
            return None
        return picture(around.css_first(f'source[media*="{media}"]:not([type])'))

    @cached_property
    def logo_dark(self) -> ImageReading | None:
        """The logo that the header shows on dark grounds, if it is another one."""
        return self._source("dark")

    @cached_property
    def logo_phone(self) -> ImageReading | None:
        """The logo that the header shows in narrow windows, if it is another one."""
        return self._source("max-width")

    @cached_property
    def arrangement(self) -> str:
        """The classes of the header, by which the page's stylesheet arranges it."""
        return folded(self._banner.get("class")) if self._banner is not None else ""

    @cached_property
    def top_menu(self) -> tuple[str, ...]:
        """The entries of the menu that are seen at once."""
        return tuple(said(node) for node in self._menu.css("nav > ul > li > a")) if self._menu is not None else ()

    @cached_property
    def menu(self) -> tuple[str, ...]:
        """The entries of the site's menu, in reading order."""
        return tuple(said(node) for node in self._menu.css("a")) if self._menu is not None else ()

    @cached_property
    def menu_opener(self) -> str:
        """What stands for the menu where the page is too narrow for it; empty where nothing does."""
        return said(self._menu.css_first(_MENU_OPENER)) if self._menu is not None else ""
