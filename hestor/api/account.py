"""One's own account: password, email address, and the devices on which one is signed in."""

from django.http import HttpRequest
from ninja import Router, Status

from hestor import clock, translations
from hestor.accounts import devices, services
from hestor.accounts.models import Account
from hestor.api.account_schemas import (
    AccountLetter,
    AccountOut,
    AddressAsked,
    DeviceOut,
    EmailChange,
    LanguageChoice,
    NewPassword,
    PasswordChange,
)
from hestor.api.auth import signed_in
from hestor.api.mail_schemas import TokenIn
from hestor.api.schemas import Identifier, ProblemOut
from hestor.mail.services import account_letters

router = Router(tags=["account"])


def _name(agent: str) -> str:
    browser, system = devices.called(agent)
    if browser and system:
        return translations.say("device.both", browser=browser, system=system)
    return browser or system or translations.say("device.unknown")


def _out(request: HttpRequest, account: Account) -> AccountOut:
    here = request.session.session_key
    found = [
        DeviceOut(id=one.pk, name=_name(one.agent), since=one.since, seen=one.seen, here=one.session_key == here)
        for one in devices.signed_in(account)
    ]
    letters = [
        AccountLetter(receiver=message.receiver, subject=message.subject, text=message.body.words)
        for message in account_letters.kept_for(account)
    ]
    return AccountOut(
        email=account.email, name=account.shown_name, devices=found, wished=account.wished_email, letters=letters
    )


@router.get("/account", response=AccountOut)
def show(request: HttpRequest) -> AccountOut:
    """The account, and the devices on which it is signed in, the one used last first."""
    return _out(request, signed_in(request))


@router.post("/account/password", response={200: AccountOut, 422: ProblemOut, 429: ProblemOut})
def change_password(request: HttpRequest, given: PasswordChange) -> AccountOut:
    """Another password; all other devices are signed out."""
    account = signed_in(request)
    services.change_password(request, account, given.current, given.password)
    return _out(request, account)


@router.post("/account/email", response={200: AccountOut, 422: ProblemOut, 429: ProblemOut})
def change_email(request: HttpRequest, given: EmailChange) -> AccountOut:
    """Asks another email address whether it agrees to be the one to sign in with; the one before is told."""
    account = signed_in(request)
    nonce = services.ask_email(request, account, given.current, given.email)
    account_letters.ask(account, nonce, clock.now())
    return _out(request, account)


@router.delete("/account/email", response={200: AccountOut})
def leave_email(request: HttpRequest) -> AccountOut:
    """Leaves it at the address that there is; the link that was sent is good no more."""
    account = signed_in(request)
    services.leave_email(account)
    return _out(request, account)


@router.post("/account-address/asked", auth=None, response={200: AddressAsked, 410: ProblemOut})
def address_asked(request: HttpRequest, given: TokenIn) -> AddressAsked:
    """What a link asks for. Nothing is agreed to by looking."""
    return AddressAsked(address=services.wisher(*account_letters.read(given.token)).wished_email)


@router.post("/account-address/confirm", auth=None, response={200: AddressAsked, 410: ProblemOut, 422: ProblemOut})
def confirm_address(request: HttpRequest, given: TokenIn) -> AddressAsked:
    """Agrees: from now on the account signs in with the address of the link."""
    before, address = services.agree_to_email(*account_letters.read(given.token))
    account_letters.tell_changed(before, address, clock.now())
    return AddressAsked(address=address)


@router.post("/account/language", response={204: None, 422: ProblemOut})
def choose_language(request: HttpRequest, given: LanguageChoice) -> Status[None]:
    """What the desk speaks to this person from now on, on every device; it never follows a site's language."""
    services.choose_language(signed_in(request), given.language)
    return Status(204, None)


@router.delete("/account/devices/{device}", response={200: AccountOut, 404: ProblemOut})
def sign_out_device(request: HttpRequest, device: Identifier) -> AccountOut:
    """Signs the account out on one device."""
    account = signed_in(request)
    devices.sign_out(account, device)
    return _out(request, account)


@router.post("/new-password", auth=None, response={204: None, 410: ProblemOut, 422: ProblemOut})
def replace_password(request: HttpRequest, given: NewPassword) -> Status[None]:
    """Another password for one that was lost, with what its link says."""
    services.replace_password(given.account, given.token, given.password)
    return Status(204, None)
