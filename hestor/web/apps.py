"""Django's record of this app."""

from django.apps import AppConfig


class WebConfig(AppConfig):
    """Serves the public sites."""

    name = "hestor.web"
