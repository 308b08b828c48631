"""A site with a contact page, and a mail server that the tests run."""

import threading
from collections.abc import Iterator
from dataclasses import dataclass, field
from email import message_from_bytes
from email.message import EmailMessage
from email.policy import default

import pytest
from aiosmtpd.controller import Controller

from hestor.mail import dns
from hestor.sites.models import Site
from hestor.sites.services.facts import write_facts
from hestor.sites.services.new_pages import page_of_kind
from hestor.sites.services.publishing import publish
from tests.conftest import NOW
from tests.support.server import free_port


@pytest.fixture(autouse=True)
def nothing_answered():
    dns.clear_cache()


@pytest.fixture
def contact_site(site, owner) -> Site:
    """A site with a published contact page at /contact/, and a public address."""
    page_of_kind(site, "contact")
    site.refresh_from_db()
    write_facts(site, {"contact_email": "hello@seeds.example", "notices_email": ""}, site.revision)
    publish(site.pk, owner, NOW)
    site.refresh_from_db()
    return site


@dataclass
class Post:
    """A mail server: what it took, in order, and what it answers to each receiver (else that it took it)."""

    port: int = 0
    taken: list[tuple[str, EmailMessage]] = field(default_factory=list)
    answers: dict[str, str] = field(default_factory=dict)
    lock: threading.Lock = field(default_factory=threading.Lock)

    async def handle_RCPT(self, server, session, envelope, address, options):
        if answer := self.answers.get(address):
            return answer
        envelope.rcpt_tos.append(address)
        return "250 OK"

    async def handle_DATA(self, server, session, envelope):
        with self.lock:
            self.taken.append((envelope.rcpt_tos[0], message_from_bytes(envelope.content, policy=default)))
        return "250 OK"


@pytest.fixture
def post_office(settings, tmp_path) -> Iterator[Post]:
    """A mail server on this machine, and the settings by which Hestor sends through it."""
    post = Post(free_port())
    running = Controller(post, hostname="127.0.0.1", port=post.port)
    running.start()
    settings.DATA = tmp_path
    settings.SMTP = {"host": "127.0.0.1", "port": post.port, "use_tls": False, "timeout": 10}
    yield post
    running.stop()
