"""The WSGI application that the production server runs."""

import os
from importlib import import_module

from django.conf import settings
from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "hestor.config.settings")
application = get_wsgi_application()
# What the first request would import is imported before processes are forked: they share it, and nobody waits for it.
import_module(settings.ROOT_URLCONF)
