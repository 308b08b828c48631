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

    ``language`` is what the desk speaks to them (BCP 47); empty, as their browser asks for.
    """

    email = models.EmailField(unique=True)
    name = models.CharField(max_length=120, blank=True)
    language = models.CharField(max_length=10, blank=True)
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
