"""Django's record of this app."""

from django.apps import AppConfig


class SitesConfig(AppConfig):
    """Sites with their facts, pages and editions."""

    name = "hestor.sites"
    label = "hestor_sites"
