"""What the calls about mail take and give."""

from datetime import datetime
from typing import Any, Literal

from ninja import Field, Schema

from hestor.api.schemas import FieldErrorOut, Strict
from hestor.core.messages.kinds import Kind

StateName = Literal["kept", "queued", "begun", "sent", "failed", "unsure"]
Theme = Literal["light", "dark"]


class MessageOut(Schema):
    """A message as the tray lists it; ``error`` is what the mail server said."""

    id: int
    kind: str
    receiver: str
    subject: str
    state: StateName
    made: datetime
    due: datetime | None
    sent: datetime | None
    tries: int
    error: str


class TrayOut(Schema):
    """A page of the tray; ``sends`` says whether real sending is set up, ``more`` whether there are older messages."""

    messages: list[MessageOut]
    counts: dict[str, int]
    sends: bool
    more: bool


class HeaderOut(Schema):
    """A header of a message."""

    name: str
    value: str


class WholeMessageOut(MessageOut):
    """A message with its headers and its text part."""

    headers: list[HeaderOut]
    text: str


class KindOut(Schema):
    """A kind of message: its words as the draft has them, the fill-ins that they may and must hold, as it would be now.

    ``subject_key`` and ``text_key`` are the keys of its words among the site's own; ``own`` says that some are the
    site's.
    """

    kind: Kind
    subject_key: str
    text_key: str
    subject_words: str
    text_words: str
    usual_subject: str
    usual_text: str
    own: bool
    names: list[str]
    needed: list[str]
    subject: str


class EnquiryOut(Schema):
    """What a visitor wrote; ``told`` says to which address it was sent on."""

    id: int
    name: str
    email: str
    message: str
    path: str
    received: datetime
    done: datetime | None
    suspect: bool
    told: str
    gone: datetime


class InboxOut(Schema):
    """A page of the inbox; ``days`` is how long messages are kept, ``receiver`` who is told of new ones."""

    enquiries: list[EnquiryOut]
    counts: dict[str, int]
    more: bool
    days: int
    receiver: str
    form: str


class EnquiryChange(Strict):
    """What is to be marked."""

    done: bool | None = None
    suspect: bool | None = None


class NoticesOut(Schema):
    """Where notices go, which address the house style names, and which was asked, when."""

    in_force: str
    since: datetime | None
    wished: str
    asked: str
    asked_at: datetime | None


class TokenIn(Strict):
    """What a link to confirm an address says."""

    token: str = Field(max_length=500)


class AskedOut(Schema):
    """What a link asks for."""

    site: str
    address: str


class DetailsIn(Strict):
    """What is being typed of an organisation."""

    phone: Any = ""
    postal_address: Any = None


class AddressChoiceOut(Schema):
    """One of the values of a part, and its name."""

    code: str
    name: str


class AddressPartOut(Schema):
    """A part of a country's form of addresses: our field, what it is called there, its choices by their names."""

    field: str
    called: str
    is_usual: bool
    choices: list[AddressChoiceOut]


class DetailsOut(Schema):
    """How a number and an address will be shown, and what should be thought of; ``form`` is the country's, by line."""

    country: str
    phone: str
    phone_abroad: str
    phone_example: str
    address: list[str]
    form: list[list[AddressPartOut]]
    notices: list[FieldErrorOut]


class ContactState(Schema):
    """Which pages say how the site is reached, and what an imprint still lacks (fact keys)."""

    country: str
    page: str
    imprint: str
    imprint_asked: bool
    imprint_lacks: list[str]


class ContactPageIn(Strict):
    """Which page to add."""

    kind: Literal["contact", "imprint"]


class DefaultSiteOut(Schema):
    """How a site stands to a default; ``words`` is what it says."""

    slug: str
    name: str
    words: str
    is_same: bool
    is_unsaid: bool


class DefaultOut(Schema):
    """A default in words, and how each of the owner's sites stands to it; ``is_set`` is false where there is none."""

    key: str
    value: Any
    words: str
    is_set: bool
    sites: list[DefaultSiteOut]


class SiteDefaultsOut(Schema):
    """The defaults that a site goes by: values and words by key, and the keys from which it differs.

    ``mine`` says that they are the caller's own, who may change them.
    """

    values: dict[str, Any]
    words: dict[str, str]
    differing: list[str]
    mine: bool


class DefaultIn(Strict):
    """A default, and the sites whose drafts are to say it."""

    value: Any
    sites: list[str] = Field(default_factory=list, max_length=200)
