"""Django's record of this app."""

from django.apps import AppConfig


class PicturesConfig(AppConfig):
    """The pictures that owners bring, and the files made from them."""

    name = "hestor.pictures"
