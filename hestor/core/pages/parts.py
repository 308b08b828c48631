"""The parts that all pages of a site share, and that a page may leave out by a visible choice."""

from typing import Literal

Part = Literal["header", "menu", "notice", "trail", "side", "footer", "contact"]
PARTS: tuple[Part, ...] = ("header", "menu", "notice", "trail", "side", "footer", "contact")
"""In the order in which a page shows them."""
