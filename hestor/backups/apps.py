"""The app of copies; it has no tables, as a copy must be found when there is no database any more."""

from django.apps import AppConfig


class BackupsConfig(AppConfig):
    """See ``hestor.backups``."""

    name = "hestor.backups"
