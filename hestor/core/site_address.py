"""Where a site is read: its short address on this server, and a domain of its own with what has to be entered for it.

Host names by RFC 1123, in the form of IDNA 2008 (RFC 5891) with the mapping of UTS 46, as browsers send them.
"""

import re
from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass
from datetime import timedelta
from ipaddress import ip_address
from typing import Literal

import idna

from hestor.core.errors import InvalidInput, Problem
from hestor.core.pages.paths import is_domain, slug_problems
from hestor.core.text import lines

_FOLDER = re.compile(r"/[a-z0-9](?:[a-z0-9-]{0,48}[a-z0-9])?")
_OWN_FOLDERS = ("/_hestor", "/_preview", "/api")
_LONGEST = 300


@dataclass(frozen=True)
class SiteAddress:
    """What an owner says of where a site is read.

    ``domain`` is without "www." (empty: none), which stands in front ``with_www``; ``folder`` is ``/seeds``, or empty.
    """

    slug: str
    domain: str = ""
    with_www: bool = False
    folder: str = ""

    @property
    def own_host(self) -> str:
        """The host of the site's own domain, in its one form; empty where it has none."""
        return f"www.{self.domain}" if self.domain and self.with_www else self.domain


def read_host(typed: str) -> str:
    """A host as it was typed, or of an address, as browsers ask for it; empty for nothing. Raises ValueError.

    It is a name that others can find: no number, and at least two labels.
    """
    text = typed.strip()[:_LONGEST].lower()
    text = re.sub("^[a-z]+://", "", text).partition("/")[0].partition(":")[0].rstrip(".")
    try:
        host = idna.encode(text, uts46=True).decode() if text else ""
    except (idna.IDNAError, UnicodeError) as error:
        raise ValueError(typed) from error
    if host and (not is_domain(host) or host.rpartition(".")[2].isdigit()):
        raise ValueError(typed)
    return host


def read_domain(typed: str) -> tuple[str, bool]:
    """A domain as it was typed, or of an address, without "www.", and whether that was there. Raises ValueError."""
    host = read_host(typed)
    bare = host.removeprefix("www.")
    return (bare, host != bare) if "." in bare else (host, False)


Leads = Literal["none", "here", "elsewhere", "nowhere", "unknown"]
"""Where a domain leads: there is none; to this server; to another; to none; nobody can say."""


def leads(host: str, found: Collection[str] | None, server: Collection[str]) -> Leads:
    """Where a host leads, by the addresses that were ``found`` for it (None: nobody knows) and those of the server."""
    if not host:
        return "none"
    if found is None:
        return "unknown"
    if not found:
        return "nowhere"
    return "here" if set(found) & set(server) else "elsewhere"


def changed(
    before: SiteAddress, slug: str | None, domain: str | None, with_www: bool | None, folder: str | None
) -> SiteAddress:
    """An address with other parts, as they were typed; None leaves one as it is.

    "www." in front of a domain counts where nothing else was said of it; without a domain there is no folder. Raises
    InvalidInput for a domain that can't be read.
    """
    host, www = before.domain, before.with_www if with_www is None else with_www
    if domain is not None:
        try:
            host, typed_www = read_domain(domain)
        except ValueError as error:
            raise InvalidInput([Problem("domain", "domain_form", {"domain": lines.shorten(domain, 60)})]) from error
        www = typed_www or bool(with_www)
    kept = before.folder if folder is None else read_folder(folder)
    short = before.slug if slug is None else slug.strip().lower()
    return SiteAddress(short, host, www and bool(host), kept if host else "")


RESTS = timedelta(days=90)
"""For so long nobody else gets an address that was given up: links and mail still mean the site that had it."""


def _is_at_or_above(domain: str, host: str) -> bool:
    return host == domain or host.endswith(f".{domain}")


def problems(given: SiteAddress, own_domain: str, desk_host: str) -> Iterator[Problem]:
    """What is wrong with an address by itself.

    ``own_domain`` is the one below which all sites have short addresses; neither it, nor the host of the desk, nor what
    either is below can be a site's.
    """
    yield from slug_problems("slug", given.slug)
    if given.domain and (not is_domain(given.domain) or given.domain.rpartition(".")[2].isdigit()):
        yield Problem("domain", "domain_form", {"domain": lines.shorten(given.domain, 60)})
    elif given.domain and (
        _is_at_or_above(own_domain, given.domain)
        or any(_is_at_or_above(given.domain, ours) for ours in (own_domain, desk_host))
    ):
        yield Problem("domain", "domain_ours", {"domain": given.domain})
    if given.folder and (not _FOLDER.fullmatch(given.folder) or given.folder in _OWN_FOLDERS):
        yield Problem("folder", "folder_form")
    elif given.folder and not given.domain:
        yield Problem("folder", "folder_alone")


def read_folder(typed: str) -> str:
    """A folder as it was typed, with a slash in front and none behind."""
    text = typed.strip().strip("/").lower()
    return f"/{text}" if text else ""


@dataclass(frozen=True)
class Record:
    """One line to be entered at the registrar (RFC 1035): the host that it is for, its type, its value."""

    host: str
    kind: str
    value: str


def proof_host(domain: str) -> str:
    """The host whose text record proves whose a domain is to be (an underscored name, RFC 8552)."""
    return f"_hestor.{domain}"


def proof_text(word: str) -> str:
    """What that record says."""
    return f"hestor={word}"


def proves(found: Collection[str], word: str) -> bool:
    """Whether the text records that were found prove that a domain is to be the site's with this word."""
    return proof_text(word) in {text.strip() for text in found}


def records(given: SiteAddress, server: Sequence[str], word: str) -> tuple[Record, ...]:
    """What has to be entered for a domain so that it leads to the ``server`` and is proven to be the site's.

    The server has these addresses; ``word`` is the site's own.
    """
    if not given.domain:
        return ()
    kinds = [("AAAA" if ip_address(one).version == 6 else "A", one) for one in server]
    other = Record(f"www.{given.domain}", "CNAME", f"{given.domain}.")
    proof = Record(proof_host(given.domain), "TXT", proof_text(word))
    return (*(Record(given.domain, kind, value) for kind, value in kinds), other, proof)
