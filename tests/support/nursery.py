"""Starts servers quickly: a process that has everything imported already, and forks one for each that is asked for.

Run as a program with the path of a socket, at which whoever tests may ask, several at a time; it ends with the last
who asked. Each line asks for one, as JSON: its ``environment``; the answer is the process id of the server's group.
From there on it is the server that `make demo` starts, with its own settings. With a ``command`` it is `manage.py`
with these arguments, which has written its ``output`` to a file when it is answered with its exit status.

With ``crowded`` as its second argument no server stands back for other programs.

A server of the demo starts as one that has been at work for a while: the desk's first view of each site has been asked
for. A server of anything else starts with empty caches.
"""

import gc
import importlib
import json
import os
import select
import shutil
import socket
import sys
import tempfile
import traceback
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

import django
from asgiref.local import Local
from django.conf import empty, settings
from django.core.cache import caches as django_caches

from hestor.config import readings
from tests.support import caches
from tests.support.server import copy_data
from tests.support.template import DEMO

_SERVER = ["gunicorn.app.wsgiapp", "hestor.config.worker", "hestor.config.urls", "whitenoise.middleware"]
_USED = [*_SERVER, "PIL.PngImagePlugin", "PIL.IcoImagePlugin", "PIL.WebPImagePlugin"]
_MARK = "sessions.json"
_CROWDED = "crowded"
# Seconds after which the process of tests that opened this one must have ended before it asked.
_LONELY = 60
_VIEWS = ("unsaid", "pages", "pictures", "defaults", "notices", "contact", "address", "changes", "editions", "brand")
_LISTS = ("languages?q=en-GB", "clock?zone=Europe/London&language=en-GB", "countries", "session", "sites")
_PLACES = ("tab", "header", "footer", "search", "manifest", "share_large", "message", "feed")


def _warm() -> None:
    """Imports what a server imports; nothing here may look at the settings' values."""
    django.setup()
    for name in _USED:
        importlib.import_module(name)
    for name in settings.MIDDLEWARE:
        importlib.import_module(name.rpartition(".")[0])
    _fill_caches()


def _stand_back_for_nobody() -> None:
    """Where browsers are at work on the same machine, threads that stand back for all others would wait for seconds."""
    from hestor.config import worker
    from hestor.sandbox import limits

    worker.stand_back = lambda: None
    limits._LESS_URGENT = 0


def _fill_caches() -> None:
    """What every server would read or compile at its first request: templates, fonts, languages, stylesheets."""
    from hestor.core.facts.document import Facts
    from hestor.core.messages.kinds import KINDS
    from hestor.rendering import Renderer, faces
    from tests.support.memory import small

    faces.shipped()
    for tag in ("en-GB", "de-CH", "ar"):
        renderer = Renderer(small(Facts(name="Seeds", language=tag)), datetime.now(UTC))
        for path in ("/", "/about/", "/news/", "/news/first/", "/nowhere/", "/feed.xml", "/site.webmanifest"):
            renderer.read(path)
        renderer.message(KINDS["confirm"], {"address": "a@b.example", "link": "https://desk.example/"})


def _visit_the_demo() -> None:
    """Asks for what the desk asks for first, of a copy of the demo as tests start from it."""
    from django.db import connections
    from django.test import Client

    data = Path(os.environ["DATA"])
    desk = Client(headers={"host": "localhost"})
    desk.cookies[settings.SESSION_COOKIE_NAME] = json.loads((data / _MARK).read_text())["owner"]
    for path in _LISTS:
        desk.get(f"/api/{path}")
    for site in ("quillmere", "silberpfad", "narjis"):
        own = f"/api/sites/{site}"
        for view in _VIEWS:
            desk.get(f"{own}/{view}")
        facts = desk.get(f"{own}/style").json()["facts"]
        places = [{"place": place, "home": home} for place in _PLACES for home in (True, False)]
        asked = {"path": "/", "at": "", "facts": {}, "places": places, "edition": None}
        for call, body in (("proofs", asked), ("reach", {"keys": [*facts], "facts": {}})):
            desk.post(f"{own}/{call}", body, content_type="application/json")
    _look_at_what_is_live()
    connections.close_all()


def _look_at_what_is_live() -> None:
    """What the review of any change of the house style compares the draft with."""
    from hestor import clock
    from hestor.sites.models import Site
    from hestor.sites.selectors import stray_changes
    from hestor.sites.selectors.states import live_edition

    for site in Site.objects.all():
        if edition := live_edition(site):
            stray_changes.said_by(site, edition, stray_changes.pages_of(site, edition), clock.now())


def _is_demo(data: Path) -> bool:
    """Whether a folder is a copy of the demo whose answers are cached here."""
    mark = data / _MARK
    return mark.exists() and DEMO.exists() and mark.read_bytes() == (DEMO / _MARK).read_bytes()


def _settle(environment: dict[str, str]) -> None:
    """From now on this process has the settings of an environment."""
    from django.db import connections

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
    django_caches.__dict__.pop("settings", None)
    django_caches._settings = None
    django_caches._connections = Local(django_caches.thread_critical)
    from hestor.accounts import devices

    # Whose device was seen is kept in the data, of which a server has a copy of its own.
    devices._NOTED.clear()
    if not _is_demo(Path(environment["DATA"])):
        caches.forget()


def _share_readings(environment: dict[str, str]) -> None:
    """The folder that a server shares, before its settings are read; one that is killed leaves it beside the data."""
    tempfile.tempdir = environment.get("TMPDIR", os.environ["DATA"])
    readings.make_folder()


def _serve() -> None:
    from gunicorn.app.wsgiapp import run

    sys.argv = ["gunicorn", "-c", "hestor/config/server.py"]
    run()


def _manage(asked: dict[str, Any]) -> int:
    """Writes what a command prints, or why it fails; gives its exit status."""
    from django.core.management import call_command

    with Path(asked["output"]).open("w") as out:
        try:
            _settle(asked["environment"])
            call_command(*asked["command"], stdout=out)
        except Exception:
            traceback.print_exc(file=out)
            return 1
        return 0


def _be(asked: dict[str, Any], client: socket.socket) -> None:
    """What a fork does; nothing of it may come back to the parent's work."""
    os.dup2(os.open(os.devnull, os.O_RDONLY), 0)
    os.dup2(2, 1)
    try:
        if "command" in asked:
            client.sendall(b"%d\n" % _manage(asked))
        else:
            client.close()
            _share_readings(asked["environment"])
            _settle(asked["environment"])
            _serve()
    except Exception:
        traceback.print_exc()
    finally:
        os._exit(0)


def _answer(client: socket.socket, others: list[socket.socket]) -> bool:
    """Does what one line asks for; whether there was one."""
    with client.makefile("r") as lines:
        line = lines.readline()
    if not line:
        return False
    asked = json.loads(line)
    child = os.fork()
    if child == 0:
        for other in others:
            other.close()
        _be(asked, client)
    if "command" not in asked:
        client.sendall(b"%d\n" % child)
    return True


def _attend(listener: socket.socket) -> None:
    """Answers until nobody is left who asked; ends if nobody asks at all."""
    if not select.select([listener], [], [], _LONELY)[0]:
        return
    clients = [listener.accept()[0]]
    while clients or select.select([listener], [], [], 0)[0]:
        for ready in select.select([listener, *clients], [], [])[0]:
            if ready is listener:
                clients.append(listener.accept()[0])
            elif not _answer(ready, [listener, *(one for one in clients if one is not ready)]):
                clients.remove(ready)
                ready.close()


def main() -> None:
    """Forks a server for each line that is asked."""
    has_demo = (DEMO / _MARK).exists()
    if has_demo:
        # Pictures that are cached are read from here as long as there are servers.
        # Before the settings are read: the key that cookies are signed with is among the data.
        copy_data(DEMO, Path(os.environ["DATA"]))
    _warm()
    if _CROWDED in sys.argv:
        _stand_back_for_nobody()
    if has_demo:
        _visit_the_demo()
    # A server begins by collecting; what it shares with this process is not looked through, and not copied, for that.
    gc.collect()
    gc.freeze()
    with socket.socket(socket.AF_UNIX) as listener:
        listener.bind(sys.argv[1])
        listener.listen()
        _attend(listener)
    Path(sys.argv[1]).unlink(missing_ok=True)
    shutil.rmtree(os.environ["DATA"], ignore_errors=True)


if __name__ == "__main__":
    import signal

    # Servers that were stopped are nobody's to wait for.
    signal.signal(signal.SIGCHLD, signal.SIG_IGN)
    main()
