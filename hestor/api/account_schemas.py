"""What calls about people take and give: signing in, one's own account."""

from datetime import datetime
from typing import Annotated

from ninja import Schema
from pydantic import Field

from hestor.api.schemas import Identifier, Strict
from hestor.core.roles import Role


class Person(Schema):
    """The account that is signed in; ``language`` is what it chose for the desk, empty if it never did."""

    email: str
    name: str
    language: str
    may_make_sites: bool
    keeps_installation: bool


class DemoAccount(Schema):
    """An account of the demo, shown on its sign-in page."""

    email: str
    role: Role
    password: str


class SessionOut(Schema):
    """Whether somebody is signed in, and what the sign-in page needs to know."""

    account: Person | None
    first_run: bool
    demo_accounts: list[DemoAccount]


Email = Annotated[str, Field(max_length=254)]
"""An address as it was typed; none is longer (RFC 5321, 4.5.3.1.3, less its brackets)."""
Password = Annotated[str, Field(max_length=200)]
"""A password as it was typed. Longer than any sentence, and short enough to be hashed."""


class LanguageChoice(Strict):
    """A language for the desk, by its tag (BCP 47)."""

    language: str = Field(max_length=10)


class SignIn(Strict):
    """Email and password."""

    email: Email
    password: Password


class NewAccount(Strict):
    """The first account."""

    email: Email
    name: Annotated[str, Field(max_length=120)] = ""
    password: Password


class PasswordChange(Strict):
    """The password as it is, and another one."""

    current: Password
    password: Password


class EmailChange(Strict):
    """The password, and another email address."""

    current: Password
    email: Email


class NewPassword(Strict):
    """What a link to replace a lost password says, and the password."""

    account: Identifier
    token: Annotated[str, Field(max_length=200)]
    password: Password


class DeviceOut(Schema):
    """A device on which the person is signed in: what it is called, and whether it is this one."""

    id: int
    name: str
    since: datetime
    seen: datetime
    here: bool


class AccountLetter(Schema):
    """A message to one of the account's addresses, where mail does not leave this machine."""

    receiver: str
    subject: str
    text: str


class AccountOut(Schema):
    """One's own account; ``wished`` is the address that was asked whether it is to be the one to sign in with."""

    email: str
    name: str
    devices: list[DeviceOut]
    wished: str
    letters: list[AccountLetter]


class AddressAsked(Schema):
    """The address that a link asks about."""

    address: str
