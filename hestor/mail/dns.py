"""What answers questions about domains: a small simulated name service that ships with Hestor, or the machine's own."""

from collections.abc import Callable, Iterator
from functools import lru_cache
from importlib.resources import files
from threading import Lock

import dns.exception
import dns.name
import dns.rdataclass
import dns.rdatatype
import dns.resolver
import dns.zone
from cachetools import TTLCache, cached
from django.conf import settings
from dns.rdatatype import RdataType

from hestor.core import site_address
from hestor.core.contact import delivery
from hestor.core.contact.delivery import Delivery
from hestor.core.errors import InternalError, Problem
from hestor.core.site_address import Leads

_SECONDS = 3.0
_ROOT = dns.name.root


class NoSuchName(InternalError):
    """There is no such domain (RFC 8020)."""


class NoAnswer(InternalError):
    """Nobody could say."""


Lookup = Callable[[str, RdataType], list[str]]
"""The records of a name and type as texts, none if it has none of that type. Raises NoSuchName, NoAnswer."""


@lru_cache(maxsize=1)
def _zone() -> dns.zone.Zone:
    text = files(__name__.rpartition(".")[0]).joinpath("dns.zone").read_text()
    return dns.zone.from_text(text, origin=_ROOT, relativize=False, check_origin=False)


def simulated(name: str, kind: RdataType) -> list[str]:
    """Answers from the zone that ships with Hestor (RFC 1035, 5); of other names nobody can say anything."""
    zone, sought = _zone(), dns.name.from_text(name)
    if zone.get_node(sought) is None:
        known = any(sought.is_subdomain(node) for node in zone.nodes if node != _ROOT)
        raise NoSuchName if known or name.endswith(".missing.example") else NoAnswer
    rdataset = zone.get_rdataset(sought, kind)
    return [one.to_text() for one in rdataset] if rdataset else []


def resolver(name: str, kind: RdataType) -> list[str]:
    """Asks as the machine is set up to."""
    try:
        answer = dns.resolver.resolve(name, kind, lifetime=_SECONDS, search=False)
    except dns.resolver.NXDOMAIN as error:
        raise NoSuchName from error
    except dns.resolver.NoAnswer:
        return []
    except (dns.exception.DNSException, OSError) as error:
        raise NoAnswer from error
    return [one.to_text() for one in answer]


def _texts(found: list[str]) -> list[str]:
    """Text records put together from their quoted pieces (RFC 7208, 3.3)."""
    return ["".join(piece for piece in text.strip('"').split('" "')) for text in found]


def _ask(lookup: Lookup, domain: str) -> Delivery:
    hosts = sorted(lookup(domain, RdataType.MX), key=lambda text: int(text.split()[0]))
    named = [text.split()[1].rstrip(".") for text in hosts]
    # Without a mail host a domain's own address takes its mail (RFC 5321, 5.1).
    if not hosts and (lookup(domain, RdataType.A) or lookup(domain, RdataType.AAAA)):
        named = [domain]
    policies = [text for text in _texts(lookup(domain, RdataType.TXT)) if text.lower().startswith("v=spf1")]
    try:
        asked = _texts(lookup(f"_dmarc.{domain}", RdataType.TXT))
    except NoSuchName:
        asked = []
    message_policy = next((text for text in asked if text.upper().startswith("V=DMARC1")), "")
    takes: delivery.Takes = "refuses" if named == [""] else "yes" if named else "no"
    return Delivery(domain, takes, tuple(filter(None, named)), tuple(policies), message_policy)


_CACHE: TTLCache[str, Delivery] = TTLCache(2000, 600)


@cached(_CACHE, lock=Lock())
def delivery_of(domain: str) -> Delivery:
    """What the name service says of a domain."""
    lookup = resolver if settings.DNS == "resolver" else simulated
    try:
        ascii_name = dns.name.from_text(domain, idna_codec=dns.name.IDNA_2008_UTS_46).to_text(omit_final_dot=True)
        return _ask(lookup, ascii_name)
    except NoSuchName:
        return Delivery(domain, "missing")
    except (NoAnswer, dns.exception.DNSException, UnicodeError):
        return delivery.unknown(domain)


def notices(key: str, address: str, own: str, found_delivery: Delivery) -> Iterator[Problem]:
    """What should be thought of with an address; ``own`` is the site's domain.

    The simulated service knows a few made-up domains; that it knows no other says nothing of an address.
    """
    if settings.DNS != "simulated" or found_delivery.takes != "unknown":
        yield from delivery.notices(key, address, own, found_delivery)


_ANY_WORD = site_address.proof_text("*")


def texts(host: str) -> tuple[str, ...] | None:
    """The text records of a host (RFC 1035, 3.3.14); None: nobody knows."""
    try:
        return tuple(_texts((resolver if settings.DNS == "resolver" else simulated)(host, RdataType.TXT)))
    except NoSuchName:
        return ()
    except (NoAnswer, dns.exception.DNSException, UnicodeError):
        return None


def is_proven(domain: str, word: str) -> bool:
    """Whether the name service proves that a domain is to be the site's whose word this is; unknown is no.

    The simulated one knows a domain that proves whatever is asked, as no made-up domain can know a site's word.
    """
    found = texts(site_address.proof_host(domain)) or ()
    simulates = settings.DNS == "simulated" and _ANY_WORD in found
    return simulates or site_address.proves(found, word)


def leads(host: str) -> Leads:
    """Where a host leads, by what the name service says of it."""
    return site_address.leads(host, addresses(host) if host else (), settings.SERVER_ADDRESSES)


def addresses(host: str) -> tuple[str, ...] | None:
    """The addresses (A and AAAA) that a host leads to, those of another that it stands for too; None: nobody knows."""
    lookup = resolver if settings.DNS == "resolver" else simulated
    try:
        # A name that stands for another has no records of its own (RFC 1034, 3.6.2).
        other = lookup(host, RdataType.CNAME)
        name = other[0].rstrip(".") if other else host
        return (*lookup(name, RdataType.A), *lookup(name, RdataType.AAAA))
    except NoSuchName:
        return ()
    except (NoAnswer, dns.exception.DNSException, UnicodeError):
        return None


def clear_cache() -> None:
    """Forgets what was answered."""
    _CACHE.clear()
