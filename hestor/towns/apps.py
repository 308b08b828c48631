"""Django's record of this app."""

from django.apps import AppConfig


class TownsConfig(AppConfig):
    """Towns, by which an owner chooses a clock."""

    name = "hestor.towns"
