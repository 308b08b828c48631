"""People who sign in at the desk, known by their email address."""

from typing import Any, ClassVar

from django.contrib.auth.models import AbstractBaseUser, BaseUserManager
from django.db import models


class AccountManager(BaseUserManager["Account"]):
    """Makes accounts, with the email address in one form."""

    def create_user(self, email: str, password: str, **fields: Any) -> "Account":
        """A new account. The password is kept hashed."""
        account = self.model(email=email.strip().lower(), **fields)
        account.set_password(password)
        account.save()
        return account

    def get_by_natural_key(self, username: str | None) -> "Account":
        """The account of an email address, however it is capitalised."""
        return self.get(email=(username or "").strip().lower())


class Account(AbstractBaseUser):
    """One person. What they may do is kept a site at a time (``sites.Membership``).

    ``language`` is what the desk speaks to them (BCP 47); empty, as their browser asks for. ``wished_email`` is the one
    that they want to sign in with, once its reader agreed by a link with ``wished_nonce``, asked at ``wished_at``.
    """

    email = models.EmailField(unique=True)
    name = models.CharField(max_length=120, blank=True)
    language = models.CharField(max_length=10, blank=True)
    wished_email = models.EmailField(blank=True)
    wished_nonce = models.CharField(max_length=32, blank=True)
    wished_at = models.DateTimeField(null=True)
    is_active = models.BooleanField(default=True)
    created = models.DateTimeField(auto_now_add=True)

    objects: ClassVar[AccountManager] = AccountManager()
    USERNAME_FIELD = "email"

    def __str__(self) -> str:
        return self.email

    @property
    def shown_name(self) -> str:
        """How the person is called in lists: the name, else the part of the address before the @."""
        return self.name or self.email.partition("@")[0]


class Device(models.Model):
    """A browser on which somebody is signed in: its session, what it calls itself, and when it was last used."""

    account = models.ForeignKey(Account, on_delete=models.CASCADE, related_name="devices")
    session_key = models.CharField(max_length=40, unique=True)
    agent = models.CharField(max_length=200, blank=True)
    since = models.DateTimeField(auto_now_add=True)
    seen = models.DateTimeField()

    def __str__(self) -> str:
        return f"{self.account} since {self.since:%Y-%m-%d}"


class WrongTry(models.Model):
    """A wrong password: for what (``mark``, a hash), from a ``known`` device or not, and from where.

    ``network`` and ``provider`` are the wider networks of an IPv6 address, ``/48`` and ``/32``.
    """

    mark = models.CharField(max_length=64)
    known = models.BooleanField(default=False)
    origin = models.CharField(max_length=45)
    network = models.CharField(max_length=45, blank=True)
    provider = models.CharField(max_length=45, blank=True)
    at = models.DateTimeField()

    class Meta:
        indexes = (
            models.Index(fields=["mark", "at"], name="try_by_mark"),
            models.Index(fields=["at"], name="try_by_time"),
        )

    def __str__(self) -> str:
        return f"{self.origin} {self.at:%Y-%m-%d}"
