"""Django's record of this app."""

from django.apps import AppConfig


class AccountsConfig(AppConfig):
    """People who sign in at the desk."""

    name = "hestor.accounts"
