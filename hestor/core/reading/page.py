"""What a page of any make says of its site: the reader of proofs, of reach, of checks and of the sweep.

Where in the file its words stand is read by ``positions``; what feeds, cards and manifests say, by ``files``.
"""

from propcache.api import cached_property
from selectolax.lexbor import LexborNode

from hestor.core.reading.accessible import Spoken, top_of
from hestor.core.reading.landmarks import SECTIONS
from hestor.core.reading.main_part import MainReading
from hestor.core.reading.tree import bare, is_within, printed, said
from hestor.core.text.lines import folded

_UNPRINTED = ("[hidden]", "script", "style", "template", "svg title")
_CONSENT = "body > section:has(button), body > aside:has(button), [role=dialog], [role=alertdialog]"


class PageReading(MainReading):
    """A page, read: head, header, main part, footer, what stands beside them, and how it is printed and read out."""

    @cached_property
    def _beside(self) -> LexborNode | None:
        """The page's complementary part (WAI-ARIA)."""
        found = self._tree.css("body aside:not(:has(button))") if self.writes("aside") else ()
        return next((one for one in found if not is_within(one, SECTIONS)), None)

    @cached_property
    def side(self) -> tuple[str, ...]:
        """The blocks of the text beside every page's own."""
        node = self._beside
        while node is not None and len(inside := list(node.iter())) == 1 and inside[0].tag == "div":
            node = inside[0]
        return tuple(said(each_node) for each_node in node.iter()) if node is not None else ()

    @cached_property
    def side_links(self) -> tuple[str, ...]:
        """Where the links of that text lead."""
        return tuple(node.attributes.get("href") or "" for node in self._beside.css("a")) if self._beside else ()

    @cached_property
    def _consent(self) -> LexborNode | None:
        return self._first(_CONSENT) if self.writes("button") else None

    @cached_property
    def consent(self) -> tuple[str, ...]:
        """What asks visitors before something runs: its heading, then what it says."""
        if self._consent is None:
            return ()
        return tuple(said(node) for node in self._consent.css("h2, p:not(:has(button))"))

    @cached_property
    def answers(self) -> tuple[str, ...]:
        """The answers to it."""
        return tuple(said(node) for node in self._consent.css("button")) if self._consent is not None else ()

    @cached_property
    def aloud(self) -> tuple[Spoken, ...]:
        """What is read out of the page's top, down to its first heading."""
        return top_of(self._tree.body)

    @cached_property
    def _off_paper(self) -> frozenset[int]:
        """The elements that the stylesheet takes away on paper."""
        return frozenset(node.mem_id for node in self._off_nodes)

    @cached_property
    def _off_nodes(self) -> list[LexborNode]:
        return self._tree.css(", ".join((*_UNPRINTED, *self.style.print_hides)))

    def is_on_paper(self, selector: str) -> bool:
        """Whether the first element of a selector is printed."""
        node = self._first(selector)
        while node is not None and node.mem_id not in self._off_paper:
            if node.tag == "body":
                return True
            node = node.parent
        return False

    def on_paper(self, selector: str) -> str:
        """What the first element of a selector says on paper; nothing if it is not printed."""
        node = self._first(selector)
        return folded("".join(printed(node, self._off_paper))) if node and self.is_on_paper(selector) else ""

    @cached_property
    def printed_words(self) -> str:
        """All words that are printed, one after the other as they come: to be compared, not to be shown."""
        if self._tree.body is None:
            return ""
        holding: set[int] = set()
        for node in self._off_nodes:
            above = node.parent
            while above is not None and above.mem_id not in holding:
                holding.add(above.mem_id)
                above = above.parent
        found: list[str] = []
        bare(self._tree.body, self._off_paper, holding, found)
        return "".join(found)

    @cached_property
    def inline_style(self) -> str:
        """The styles written into the body's elements, as messages have them."""
        styled = self._tree.css("body, body [style]")
        return " ".join(node.attributes.get("style") or "" for node in styled)
