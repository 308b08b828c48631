"""Whether mail to a domain arrives, and who may send in its name, by what the name service says of it.

Mail exchangers by RFC 5321 (5.1) with the null one of RFC 7505; who may send by SPF (RFC 7208) and DMARC (RFC 7489).
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from hestor.core.contact.addresses import domain_of, is_within
from hestor.core.errors import Problem
from hestor.core.text import lines

Takes = Literal["yes", "no", "refuses", "missing", "unknown"]
"""Whether a domain takes mail: it says by which hosts; it names none; it says that it takes none (RFC 7505); there is
no such domain; nobody could say."""


@dataclass(frozen=True)
class Delivery:
    """What the name service says of a domain: its mail hosts by preference, its SPF and DMARC records."""

    domain: str
    takes: Takes
    hosts: Sequence[str] = ()
    sender_policies: Sequence[str] = ()
    message_policy: str = ""

    @property
    def policy(self) -> str:
        """What receivers are asked to do with messages that fail (DMARC ``p``); empty where nothing is asked."""
        tags = dict(part.strip().partition("=")[::2] for part in self.message_policy.split(";") if "=" in part)
        return tags.get("p", "").strip().lower()

    @property
    def strictness(self) -> str:
        """What SPF says of everybody not named: ``fail``, ``softfail``, ``neutral``, ``pass``; empty if nothing."""
        last = self.sender_policies[0].split()[-1].lower() if len(self.sender_policies) == 1 else ""
        return {"-all": "fail", "~all": "softfail", "?all": "neutral", "+all": "pass", "all": "pass"}.get(last, "")


def unknown(domain: str) -> Delivery:
    """A domain of which nobody could say anything."""
    return Delivery(domain, "unknown")


def _receiving(key: str, delivery: Delivery) -> Iterator[Problem]:
    domain = lines.shorten(delivery.domain, 60)
    if delivery.takes != "yes":
        yield Problem(key, f"mail_{delivery.takes}", {"domain": domain})


def _sending(key: str, delivery: Delivery) -> Iterator[Problem]:
    """Of the site's own domain only: who answers from there, and notices that come from there."""
    domain = lines.shorten(delivery.domain, 60)
    if len(delivery.sender_policies) > 1:
        yield Problem(key, "spf_twice", {"domain": domain, "count": len(delivery.sender_policies)})
    elif not delivery.sender_policies:
        yield Problem(key, "spf_missing", {"domain": domain})
    elif delivery.strictness in ("", "neutral", "pass"):
        yield Problem(key, "spf_open", {"domain": domain})
    if not delivery.policy:
        yield Problem(key, "dmarc_missing", {"domain": domain})


def notices(key: str, address: str, own: str, delivery: Delivery) -> Iterator[Problem]:
    """What should be thought of with an address, by what is known of its domain; ``own`` is the site's."""
    yield from _receiving(key, delivery)
    if delivery.takes == "yes" and own and is_within(domain_of(address), own):
        yield from _sending(key, delivery)
