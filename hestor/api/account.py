"""One's own account: password, email address, and the devices on which one is signed in."""

from django.http import HttpRequest
from ninja import Router, Status

from hestor import wording
from hestor.accounts import devices, services
from hestor.accounts.models import Account
from hestor.api.account_schemas import AccountOut, DeviceOut, EmailChange, LanguageChoice, NewPassword, PasswordChange
from hestor.api.auth import signed_in
from hestor.api.schemas import Identifier, ProblemOut

router = Router(tags=["account"])


def _name(agent: str) -> str:
    browser, system = devices.called(agent)
    if browser and system:
        return wording.say("device.both", browser=browser, system=system)
    return browser or system or wording.say("device.unknown")


def _out(request: HttpRequest, account: Account) -> AccountOut:
    here = request.session.session_key
    found = [
        DeviceOut(id=one.pk, name=_name(one.agent), since=one.since, seen=one.seen, here=one.session_key == here)
        for one in devices.of(account)
    ]
    return AccountOut(email=account.email, name=account.shown_name, devices=found)


@router.get("/account", response=AccountOut)
def show(request: HttpRequest) -> AccountOut:
    """The account, and the devices on which it is signed in, the one used last first."""
    return _out(request, signed_in(request))


@router.post("/account/password", response={200: AccountOut, 422: ProblemOut})
def change_password(request: HttpRequest, given: PasswordChange) -> AccountOut:
    """Another password; all other devices are signed out."""
    account = signed_in(request)
    services.change_password(request, account, given.current, given.password)
    return _out(request, account)


@router.post("/account/email", response={200: AccountOut, 422: ProblemOut})
def change_email(request: HttpRequest, given: EmailChange) -> AccountOut:
    """Another email address to sign in with."""
    account = signed_in(request)
    services.change_email(request, account, given.current, given.email)
    return _out(request, account)


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
