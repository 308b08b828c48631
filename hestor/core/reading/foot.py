"""What a page says in its footer: the contentinfo of WAI-ARIA."""

from propcache.api import cached_property

from hestor.core.reading.banner import BannerReading
from hestor.core.reading.node import Node
from hestor.core.reading.tree import is_within, said, seen

_CONTACT = frozenset({"address", "nav"})
_REACHES = "a[href^='mailto:'], a[href^='tel:']"
_NO_LINE = "button, a[rel~=alternate], a[href^='mailto:'], a[href^='tel:']"


class FootReading(BannerReading):
    """The footer, read."""

    @cached_property
    def _lines(self) -> list[Node]:
        return self._contentinfo.css("p") if self._contentinfo is not None else []

    @cached_property
    def footer(self) -> str:
        """The footer's line: the first that is neither a way to reach the site nor a link to its news."""
        if self.marks:
            return said(self.marks.get("footer_text"))
        nodes = (node for node in self._lines if not is_within(node, _CONTACT) and node.css_first(_NO_LINE) is None)
        return said(next(nodes, None))

    @cached_property
    def contact(self) -> tuple[str, ...]:
        """What the footer says of how to reach the site, line by line, without what nobody sees."""
        if self._contentinfo is None:
            return ()
        marked = self._contentinfo.css("address")
        lines = [line for one in marked for line in (one.css("p") or [one])]
        return tuple(
            seen(each_line) for each_line in lines or (node for node in self._lines if node.css_first(_REACHES))
        )

    @cached_property
    def whole_footer(self) -> str:
        """Everything that the footer says."""
        return said(self._contentinfo)
