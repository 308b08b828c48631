"""Django's record of this app."""

from django.apps import AppConfig


class DeskConfig(AppConfig):
    """Hands out the desk: one page, its scripts, styles and fonts."""

    name = "hestor.desk"
