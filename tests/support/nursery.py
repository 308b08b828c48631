"""Starts servers quickly: a process that has everything imported already, and forks one for each that is asked for.

Run as a program. Each line of its input is the environment of a server, as JSON; it answers with the process
id of the server's group. From there on it is the server that `make demo` starts, with its own settings.
"""

import importlib
import json
import os
import sys
from datetime import UTC, datetime

import django
from asgiref.local import Local
from django.conf import empty, settings

_SERVER = ["gunicorn.app.wsgiapp", "hestor.config.worker", "hestor.config.urls", "whitenoise.middleware"]
_USED = [*_SERVER, "PIL.PngImagePlugin", "PIL.IcoImagePlugin", "PIL.WebPImagePlugin"]


def _warm() -> None:
    """Imports what a server imports; nothing here may look at the settings' values."""
    django.setup()
    for name in _USED:
        importlib.import_module(name)
    for name in settings.MIDDLEWARE:
        importlib.import_module(name.rpartition(".")[0])
    _fill_caches()


def _fill_caches() -> None:
    """What every server would read or compile at its first request: templates, fonts, languages, stylesheets."""
    from hestor.core.facts.document import Facts
    from hestor.core.messages.kinds import KINDS
    from hestor.press import Renderer, faces
    from tests.support.memory import small

    faces.shipped()
    for tag in ("en-GB", "de-CH", "ar"):
        renderer = Renderer(small(Facts(name="Seeds", language=tag)), datetime.now(UTC))
        for path in ("/", "/about/", "/news/", "/news/first/", "/nowhere/", "/feed.xml", "/site.webmanifest"):
            renderer.read(path)
        renderer.message(KINDS["confirm"], {"address": "a@b.example", "link": "https://desk.example/"})


def _serve(environment: dict[str, str]) -> None:
    from django.db import connections
    from gunicorn.app.wsgiapp import run

    os.setsid()
    os.environ.update(environment)
    importlib.reload(sys.modules["hestor.config.settings"])
    before, settings._wrapped = settings._wrapped, empty
    # What apps added to the settings when they were imported is not in their file.
    for name in dir(before):
        if name.isupper() and not hasattr(settings, name):
            setattr(settings, name, getattr(before, name))
    connections.close_all()
    connections.__dict__.pop("settings", None)
    connections._settings = None
    connections._connections = Local(connections.thread_critical)
    sys.argv = ["gunicorn", "-c", "hestor/config/server.py"]
    run()


def main() -> None:
    """Forks a server for each line of input."""
    _warm()
    for line in sys.stdin:
        child = os.fork()
        if child == 0:
            os.dup2(os.open(os.devnull, os.O_RDONLY), 0)
            os.dup2(2, 1)
            _serve(json.loads(line))
            os._exit(0)
        print(child, flush=True)


if __name__ == "__main__":
    import signal

    # Servers that were stopped are nobody's to wait for.
    signal.signal(signal.SIGCHLD, signal.SIG_IGN)
    main()
