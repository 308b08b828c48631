"""Signing in and out, the first account, and changing one's own: password, email address, a lost password."""

import secrets
from datetime import datetime, timedelta
from threading import BoundedSemaphore
from urllib.parse import urlencode

from axes.handlers.proxy import AxesProxyHandler
from django.conf import settings
from django.contrib.auth import authenticate, login, logout, update_session_auth_hash
from django.contrib.auth.password_validation import validate_password
from django.contrib.auth.tokens import default_token_generator
from django.core.exceptions import ValidationError
from django.core.validators import validate_email
from django.db import IntegrityError, transaction
from django.http import HttpRequest

from hestor import clock, translations
from hestor.accounts import devices, tries
from hestor.accounts.models import Account
from hestor.accounts.selectors import is_first_run
from hestor.core.errors import (
    AccountsExist,
    InvalidInput,
    LinkSpent,
    Problem,
    SignInPaused,
    SignInRefused,
)

# A password is hashed with a hundred megabytes of memory, so that guessing is dear; here too.
_HASHING = BoundedSemaphore(1)


def sign_in(request: HttpRequest, email: str, password: str) -> Account:
    """Signs a person in. Raises SignInPaused after too many wrong tries, SignInRefused for a wrong one.

    Tries are counted by account and origin together, by origin alone, and slowly by account alone (``tries``); a device
    on which the account was used before is an origin of its own (``devices``), and passes the last.
    """
    email = email.strip().lower()
    request.hestor_email = email  # type: ignore[attr-defined]
    tries.check_sign_in(request, email)
    with _HASHING:
        account = authenticate(request, username=email, password=password)
    if isinstance(account, Account):
        login(request, account)
        devices.remember(request, account)
        return account
    tries.note_sign_in(request, email)
    if AxesProxyHandler.is_locked(request, {"username": email}):
        raise SignInPaused(minutes=settings.SIGN_IN_PAUSE_MINUTES)
    raise SignInRefused


def sign_out(request: HttpRequest) -> None:
    """Ends the session; signing out twice is fine."""
    if request.user.is_authenticated:
        request.user.devices.filter(session_key=request.session.session_key or "").delete()
    logout(request)


def _email_problems(email: str, account: Account | None = None) -> list[Problem]:
    try:
        validate_email(email)
    except ValidationError:
        return [Problem("email", "email_form")]
    if account and Account.objects.exclude(pk=account.pk).filter(email=email).exists():
        return [Problem("email", "email_taken")]
    return []


def _password_problems(password: str, account: Account) -> list[Problem]:
    if not password.strip():
        return [Problem("password", "password_blank")]
    try:
        validate_password(password.strip(), account)
    except ValidationError as error:
        return [Problem("password", "password_weak", {"reason": " ".join(error.messages)})]
    return []


def make_first_account(email: str, name: str, password: str) -> Account:
    """The account of the person who sets Hestor up. Raises AccountsExist, or InvalidInput with every problem."""
    email = email.strip().lower()
    problems = _email_problems(email) + _password_problems(password, Account(email=email, name=name))
    if not is_first_run():
        raise AccountsExist
    if problems:
        raise InvalidInput(problems)
    with _HASHING:
        made = Account(email=email, name=name.strip()[:120])
        made.set_password(password)
    with transaction.atomic():
        if not is_first_run():
            raise AccountsExist
        made.save()
        return made


def _confirm(request: HttpRequest, account: Account, password: str) -> None:
    """Raises InvalidInput unless the password is the account's: a stranger at an open desk can't take it over.

    Raises SignInPaused after too many wrong ones.
    """
    tries.check_current(account.pk)
    with _HASHING:
        is_right = account.check_password(password)
    if not is_right:
        tries.note_current(request, account.pk)
        raise InvalidInput([Problem("current", "password_wrong")])


def _set_password(account: Account, password: str) -> None:
    if problems := _password_problems(password, account):
        raise InvalidInput(problems)
    with _HASHING:
        account.set_password(password)
    account.save(update_fields=["password"])


def change_password(request: HttpRequest, account: Account, current: str, password: str) -> None:
    """Another password. Every other device is signed out. Raises InvalidInput."""
    _confirm(request, account, current)
    _set_password(account, password)
    update_session_auth_hash(request, account)
    devices.remember(request, account)
    devices.sign_out_others(request, account)


EMAIL_LINK_GOOD_FOR = timedelta(days=1)


def ask_email(request: HttpRequest, account: Account, current: str, email: str) -> str:
    """Notes another email address to sign in with, and gives the nonce by which its reader agrees.

    Until then the one before stays. Raises InvalidInput, SignInPaused.
    """
    email = email.strip().lower()
    problems = _email_problems(email, account)
    if email == account.email and not problems:
        problems = [Problem("email", "email_same")]
    if problems:
        raise InvalidInput(problems)
    _confirm(request, account, current)
    _wish(account, email, secrets.token_hex(16), clock.now())
    return account.wished_nonce


def _wish(account: Account, email: str, nonce: str, at: datetime | None) -> None:
    account.wished_email, account.wished_nonce, account.wished_at = email, nonce, at
    account.save(update_fields=["wished_email", "wished_nonce", "wished_at"])


def leave_email(account: Account) -> None:
    """Takes the wish for another address back; its link is good no more."""
    _wish(account, "", "", None)


def wisher(account_id: int, nonce: str) -> Account:
    """Whose wish a link agrees to. Raises LinkSpent for one that was used, taken back, or is too old."""
    account = Account.objects.filter(pk=account_id, is_active=True).exclude(wished_nonce="").first()
    is_good = account and account.wished_at and account.wished_at > clock.now() - EMAIL_LINK_GOOD_FOR
    if account is None or not is_good or not secrets.compare_digest(account.wished_nonce, nonce):
        raise LinkSpent
    return account


def agree_to_email(account_id: int, nonce: str) -> tuple[str, str]:
    """Puts the address of a link in force; gives the one before and this one. Raises LinkSpent, InvalidInput."""
    account = wisher(account_id, nonce)
    before, account.email = account.email, account.wished_email
    try:
        with transaction.atomic():
            account.save(update_fields=["email"])
            leave_email(account)
    except IntegrityError as error:
        # Somebody took it between the wish and the link.
        raise InvalidInput([Problem("email", "email_taken")]) from error
    return before, account.email


def password_link(account: Account) -> str:
    """The address, from the desk's root on, at which a lost password is replaced: for an hour, and once."""
    said = {"account": account.pk, "token": default_token_generator.make_token(account)}
    return f"/new-password?{urlencode(said)}"


def replace_password(account_id: int, token: str, password: str) -> Account:
    """Another password for one that was lost; all devices are signed out. Raises LinkSpent, InvalidInput."""
    account = Account.objects.filter(pk=account_id, is_active=True).first()
    if account is None or not default_token_generator.check_token(account, token):
        raise LinkSpent
    _set_password(account, password)
    for device in account.devices.all():
        devices.sign_out(account, device.pk)
    return account


def choose_language(account: Account, language: str) -> None:
    """What the desk speaks to a person. Raises InvalidInput for a language that it doesn't speak."""
    if language not in translations.languages("desk"):
        raise InvalidInput([Problem("language", "not_one_of", {"names": ", ".join(translations.languages("desk"))})])
    account.language = language
    account.save(update_fields=["language"])
