"""Keeps towns in a database of their own."""

from typing import Any

from django.db.models import Model


class TownsRouter:
    """Sends the towns app, and nothing else, to the database ``towns``."""

    def db_for_read(self, model: type[Model], **hints: Any) -> str | None:
        """Towns are read from their own file."""
        return "towns" if model._meta.app_label == "towns" else None

    db_for_write = db_for_read

    def allow_migrate(self, db: str, app_label: str, **hints: Any) -> bool:
        """Each table is made in one of the two databases."""
        return (app_label == "towns") == (db == "towns")
