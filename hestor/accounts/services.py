"""Signing in, signing out, and the first account."""

from axes.handlers.proxy import AxesProxyHandler
from django.conf import settings
from django.contrib.auth import authenticate, login, logout
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.core.validators import validate_email
from django.db import transaction
from django.http import HttpRequest

from hestor.accounts.models import Account
from hestor.accounts.selectors import is_first_run
from hestor.core.errors import AccountsExist, InvalidInput, Problem, SignInPaused, SignInRefused


def sign_in(request: HttpRequest, email: str, password: str) -> Account:
    """Signs a person in. Raises SignInPaused after too many wrong tries, SignInRefused for a wrong one."""
    email = email.strip().lower()
    account = authenticate(request, username=email, password=password)
    if isinstance(account, Account):
        login(request, account)
        return account
    if AxesProxyHandler.is_locked(request, {"username": email}):
        raise SignInPaused(minutes=settings.SIGN_IN_PAUSE_MINUTES)
    raise SignInRefused


def sign_out(request: HttpRequest) -> None:
    """Ends the session; signing out twice is fine."""
    logout(request)


def _email_problems(email: str) -> list[Problem]:
    try:
        validate_email(email)
    except ValidationError:
        return [Problem("email", "email_form")]
    return []


def _password_problems(password: str, account: Account) -> list[Problem]:
    try:
        validate_password(password, account)
    except ValidationError as error:
        return [Problem("password", "password_weak", {"reason": " ".join(error.messages)})]
    return []


def make_first_account(email: str, name: str, password: str) -> Account:
    """The account of whoever sets Hestor up. Raises AccountsExist, or InvalidInput with every problem."""
    email = email.strip().lower()
    problems = _email_problems(email) + _password_problems(password, Account(email=email, name=name))
    with transaction.atomic():
        if not is_first_run():
            raise AccountsExist
        if problems:
            raise InvalidInput(problems)
        return Account.objects.create_user(email, password, name=name.strip()[:120])
