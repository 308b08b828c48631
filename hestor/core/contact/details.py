"""What else is said of the organisation behind a site: registrations, and addresses elsewhere on the web."""

from collections.abc import Callable, Iterator, Sequence
from typing import TypeVar

import regex
from pydantic import BaseModel, ConfigDict, HttpUrl, TypeAdapter, ValidationError

from hestor.core.errors import Problem
from hestor.core.rules import Checked, Line, Rule
from hestor.core.text import lines

PARTS = ("legal_name", "address", "phone", "email", "hours", "registrations", "social")
"""The parts that a footer and a contact page may show, in their order."""
ON_PAGE = ("form", "card")
"""Those of a contact page alone."""
_LABEL, _VALUE = Line(1, 60), Line(1, 120)
_MOST, _LONGEST_ADDRESS = 12, 500
_HOST = regex.compile(r"(?:[\p{L}\p{N}][\p{L}\p{M}\p{N}-]*+\.)++[\p{L}\p{N}][\p{L}\p{M}\p{N}-]*+")
_WEB: TypeAdapter[HttpUrl] = TypeAdapter(HttpUrl)


class _Entry(BaseModel):
    model_config = ConfigDict(frozen=True, extra="forbid")


class Registration(_Entry):
    """A number under which some register or office keeps the organisation, and what it is called."""

    label: str
    value: str


class SocialAddress(_Entry):
    """An address elsewhere on the web, and the owner's word for it."""

    label: str
    address: str


class Parts(_Entry):
    """The parts that show in the footer, and on the contact page."""

    footer: tuple[str, ...] = ("email",)
    page: tuple[str, ...] = (*PARTS, *ON_PAGE)


E = TypeVar("E", bound=_Entry)


def _list_of(model: type[E], code: str, check: Callable[[str, E], Checked[E]]) -> Rule[tuple[E, ...]]:
    def rule(key: str, given: object) -> Checked[tuple[E, ...]]:
        if not isinstance(given, (list, tuple)) or len(given) > _MOST:
            return (), (Problem(key, code, {"most": _MOST}),)
        kept, problems = [], list[Problem]()
        for number, one in enumerate(given):
            try:
                read = model.model_validate(one.model_dump() if isinstance(one, BaseModel) else one)
            except ValidationError:
                return (), (Problem(f"{key}.{number}", code, {"most": _MOST}),)
            entry, found = check(f"{key}.{number}", read)
            kept.append(entry)
            problems += found
        return tuple(kept), tuple(problems)

    return rule


def _registration(key: str, given: Registration) -> tuple[Registration, tuple[Problem, ...]]:
    label, one = _LABEL(f"{key}.label", given.label)
    value, other = _VALUE(f"{key}.value", given.value)
    return Registration(label=label, value=value), (*one, *other)


def web_address(typed: str) -> str:
    """An address of the web in full (WHATWG URL), ``https`` in front where nothing was. Raises ValueError.

    It names a host that others can reach: no number, no bare name, nobody's password.
    """
    text = typed.strip()
    read = _WEB.validate_python(text if "://" in text else f"https://{text.removeprefix('//')}")
    host = read.host or ""
    # Letters of any script, digits and hyphens, as names of hosts have them; each label begins with one.
    is_name = bool(_HOST.fullmatch(host)) and not host.rpartition(".")[2].isdigit()
    if read.username or read.password or not is_name:
        raise ValueError(typed)
    full = str(read)
    return full.removesuffix("/") + "/" if read.path in (None, "/") and not (read.query or read.fragment) else full


def _social(key: str, given: SocialAddress) -> tuple[SocialAddress, tuple[Problem, ...]]:
    label, problems = _LABEL(f"{key}.label", given.label)
    address = lines.tidy(given.address)
    if not address or len(address) > _LONGEST_ADDRESS:
        wrong = Problem(f"{key}.address", "web_address")
        return given, (*problems, wrong)
    try:
        full = web_address(address)
    except (ValueError, UnicodeError):
        return given, (*problems, Problem(f"{key}.address", "web_address"))
    if any(lines.refusal(letter) for letter in full):
        return given, (*problems, Problem(f"{key}.address", "web_address"))
    return SocialAddress(label=label, address=full), problems


registrations = _list_of(Registration, "registrations_unreadable", _registration)
social = _list_of(SocialAddress, "social_unreadable", _social)


def _known(given: Sequence[str], known: Sequence[str]) -> tuple[str, ...]:
    return tuple(one for one in known if one in given)


def parts(key: str, given: object) -> Checked[Parts]:
    """The parts that show, in their own order."""
    try:
        read = Parts.model_validate(given.model_dump() if isinstance(given, BaseModel) else given)
    except ValidationError:
        return Parts(), (Problem(key, "parts_unreadable"),)
    odd = list(_odd(key, read))
    return Parts(footer=_known(read.footer, PARTS), page=_known(read.page, (*PARTS, *ON_PAGE))), tuple(odd)


def _odd(key: str, read: Parts) -> Iterator[Problem]:
    if not set(read.footer) <= set(PARTS) or not set(read.page) <= {*PARTS, *ON_PAGE}:
        yield Problem(key, "parts_unreadable")
