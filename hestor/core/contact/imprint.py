"""In which countries a site has to say who stands behind it, and what is still missing for it.

Germany: Digitale-Dienste-Gesetz, 5. Austria: E-Commerce-Gesetz, 5. Switzerland: Bundesgesetz gegen den unlauteren
Wettbewerb, 3 (1) s. Liechtenstein: E-Commerce-Gesetz, 5. Luxembourg: loi du 14 août 2000 relative au commerce
électronique, 5. All follow Directive 2000/31/EC, 5, or are like it; elsewhere it is usual, and nothing is asked for.
"""

from collections.abc import Sequence
from typing import Any

ASKED_IN = frozenset(("DE", "AT", "CH", "LI", "LU"))
_NEEDED = ("legal_name", "postal_address", "contact_email")


def is_asked_in(country: str) -> bool:
    """Whether a country (ISO 3166) asks a site for an imprint."""
    return country in ASKED_IN


def missing(facts: Any) -> Sequence[str]:
    """The facts that an imprint needs and that are not said yet, by key."""
    return [key for key in _NEEDED if not getattr(facts, key)]
