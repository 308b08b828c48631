"""A picture as a page shows it."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Shown:
    """A picture as a page shows it: its address, size in CSS pixels, words, and sources by media type.

    ``medium`` is the address of a file for readers that choose none themselves.
    """

    src: str
    width: int
    height: int
    alt: str = ""
    srcset: str = ""
    sources: tuple[tuple[str, str], ...] = ()
    medium: str = ""

    @property
    def addresses(self) -> frozenset[str]:
        """The addresses of all files that it names."""
        sets = (self.srcset, *(srcset for _, srcset in self.sources))
        pieces = (piece.split()[0] for srcset in sets for piece in srcset.split(", ") if piece)
        return frozenset((self.src, *pieces))

    @property
    def large(self) -> str:
        """The address of the sharpest file in the fallback format."""
        return self.srcset.rpartition(", ")[2].partition(" ")[0] or self.src

    @property
    def largest_size(self) -> tuple[int, int]:
        """Width and height of the sharpest file of a logo, in its own pixels."""
        scale = self.srcset.rpartition(" ")[2].removesuffix("x")
        times = int(scale) if scale.isdigit() else 1
        return self.width * times, self.height * times
