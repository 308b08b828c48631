"""The files of a site as the sweep sees them: by their paths, and what an address on a page leads to among them."""

from collections.abc import Callable, Collection
from dataclasses import dataclass
from hashlib import blake2b
from typing import Literal

from propcache.api import cached_property

from hestor.core.reading.source import Source
from hestor.core.text import urls

Leads = Literal["outside", "found", "broken", "out"]
HTML = (".html", ".htm", ".xhtml")
_INDEX = ("index.html", "index.htm", "index.xhtml")


@dataclass(frozen=True)
class Files:
    """The paths of all files, relative, with slashes; ``read`` gives a file's bytes; ``hosts`` are the site's own."""

    paths: Collection[str]
    read: Callable[[str], bytes]
    hosts: frozenset[str] = frozenset()

    @cached_property
    def _known(self) -> frozenset[str]:
        return frozenset(self.paths)

    @cached_property
    def _folders(self) -> frozenset[str]:
        folders = set()
        for path in self.paths:
            folder = urls.folder_of(path)
            while folder and folder not in folders:
                folders.add(folder)
                folder = urls.folder_of(folder)
        return frozenset(folders)

    @cached_property
    def _hashes(self) -> dict[str, bytes]:
        return {}

    def content(self, path: str) -> bytes:
        """What tells a file's content from another's; the path itself where there is no such file."""
        if path not in self._hashes:
            known = path in self._known
            self._hashes[path] = blake2b(self.read(path)).digest() if known else path.encode(errors="replace")
        return self._hashes[path]

    def at(self, path: str) -> str | None:
        """The file that a server hands out for a path: itself, a folder's index, or a page without its ending."""
        bare = path.rstrip("/")
        if path in self._known and not path.endswith("/"):
            return path
        for index in _INDEX:
            inside = f"{bare}/{index}" if bare else index
            if inside in self._known:
                return inside
        if bare and not path.endswith("/"):
            return next((bare + ending for ending in HTML if bare + ending in self._known), None)
        return None

    def is_folder(self, path: str) -> bool:
        """Whether there is a folder of that path."""
        return path.rstrip("/") in self._folders or not path.rstrip("/")

    @cached_property
    def _led(self) -> dict[tuple[str, str], tuple[Leads, str, str]]:
        return {}

    def led_to(self, source: Source, href: str) -> tuple[Leads, str, str]:
        """Where an address on a page leads, to which file, and to which part of it."""
        key = (
            source.path if href[:1] in ("", "#", "?") or "base" in source.by_tag else source.folder,
            href,
        )
        if key not in self._led:
            self._led[key] = self._lead(source, href)
        return self._led[key]

    def _lead(self, source: Source, href: str) -> tuple[Leads, str, str]:
        address = urls.read(href)
        if address is None:
            return "broken", "", ""
        if address.host and address.host in self.hosts and address.scheme in ("", "http", "https"):
            base: str | None = ""
            path = address.path.lstrip("/")
        elif address.is_outside:
            return "outside", "", ""
        elif address.path.startswith("/"):
            base, path = "", address.path.lstrip("/")
        else:
            base, path = self._base(source), address.path
        if base is None:
            return "outside", "", ""
        if not path and not address.path and not address.host:
            return "found", source.path, address.fragment
        whole = urls.joined(base, path)
        if whole is None:
            # Beyond the top there is only the top (RFC 3986, 5.2.4), if the folder is the whole site.
            inside = self.at(path.rpartition("../")[2])
            return ("found", inside, address.fragment) if inside else ("out", "", "")
        there = self.at(whole)
        return ("found", there, address.fragment) if there else ("broken", whole, "")

    def _base(self, source: Source) -> str | None:
        """The folder that a page's addresses are seen from; None where the page says one elsewhere."""
        element = next((each_element for each_element in source.all("base") if each_element.get("href")), None)
        if element is None:
            return urls.folder_of(source.path)
        address = urls.read(element.get("href"))
        if address is None or (address.is_outside and address.host not in self.hosts):
            return None
        folder = address.path.rpartition("/")[0]
        if address.path.startswith("/"):
            return folder.strip("/")
        return urls.joined(urls.folder_of(source.path), folder)
