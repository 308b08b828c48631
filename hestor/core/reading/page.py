"""What a page of any make says of its site: the reader of proofs, of reach, of checks and of the sweep.

Where in the file its words stand is read by ``positions``; what feeds, cards and manifests say, by ``files``.
"""

from collections.abc import Sequence

from propcache.api import cached_property

from hestor.core.reading.accessible import Spoken, top_of
from hestor.core.reading.landmarks import SECTIONS
from hestor.core.reading.main_part import MainReading
from hestor.core.reading.node import Node
from hestor.core.reading.tree import is_within, said
from hestor.core.text.lines import folded

_UNPRINTED = ("[hidden]", "script", "style", "template", "svg title")
_CONSENT = "body > section:has(button), body > aside:has(button), [role=dialog], [role=alertdialog]"


class PageReading(MainReading):
    """A page, read: head, header, main part, footer, what stands beside them, and how it is printed and read out."""

    @cached_property
    def _beside(self) -> Node | None:
        """The page's complementary part (WAI-ARIA)."""
        found = self.css("body aside:not(:has(button))") if self.writes("aside") else ()
        return next((one for one in found if not is_within(one, SECTIONS)), None)

    @cached_property
    def side(self) -> tuple[str, ...]:
        """The blocks of the text beside every page's own."""
        node = self._beside
        while node is not None and len(node.children) == 1 and node.children[0].tag == "div":
            node = node.children[0]
        return tuple(said(block) for block in node.children) if node is not None else ()

    @cached_property
    def side_links(self) -> tuple[str, ...]:
        """Where the links of that text lead."""
        return tuple(node.get("href") for node in self._beside.css("a")) if self._beside else ()

    @cached_property
    def _consent(self) -> Node | None:
        return self.css_first(_CONSENT) if self.writes("button") else None

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
        return top_of(self.nodes.body)

    @cached_property
    def _off_paper(self) -> Sequence[Node]:
        """The elements that the stylesheet takes away on paper."""
        return self.css(", ".join((*_UNPRINTED, *self.style.print_hides)))

    def is_on_paper(self, selector: str) -> bool:
        """Whether the first element of a selector is printed."""
        node = self.css_first(selector)
        return node is not None and not any(one in self._off_paper for one in (node, *node.ancestors))

    def on_paper(self, selector: str) -> str:
        """What the first element of a selector says on paper; nothing if it is not printed."""
        node = self.css_first(selector)
        return folded(node.without(self._off_paper)) if node and self.is_on_paper(selector) else ""

    @cached_property
    def printed_words(self) -> str:
        """All words that are printed, one after the other as they come: to be compared, not to be shown."""
        return self.nodes.body.without(self._off_paper)

    @cached_property
    def inline_style(self) -> str:
        """The styles written into the body's elements, as messages have them."""
        styled = self.css("body, body [style]")
        return " ".join(node.get("style") for node in styled)
