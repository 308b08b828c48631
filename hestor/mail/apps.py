"""Django's record of this app."""

from django.apps import AppConfig


class MailConfig(AppConfig):
    """Messages that sites send, messages that visitors wrote, and where notices go."""

    name = "hestor.mail"
    label = "hestor_mail"
