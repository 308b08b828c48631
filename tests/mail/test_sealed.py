"""What of the tray is its receiver's alone, and what is not for who may only look."""

import re

import pytest

from hestor.core.roles import Role
from hestor.mail.models import Enquiry, Message
from hestor.mail.selectors.letters import Voice
from hestor.mail.services import notices
from hestor.mail.services.posting import put
from hestor.sites.services.facts import write_facts
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


@pytest.fixture
def asked(site) -> str:
    """The word of a link that was sent to an address for notices."""
    write_facts(site, {"notices_email": "me@post.example"}, site.revision)
    notices.ask(site.pk, NOW)
    return re.search(r"/confirm/(\S+)", Message.objects.get(kind="confirm").body.words)[1]


@pytest.mark.parametrize("role", list(Role))
def test_once_mail_leaves_nobody_reads_a_link_in_the_tray(site, person, asked, settings, role):
    client, number = person(role), Message.objects.get(kind="confirm").pk
    own = f"/api/sites/seeds/mail/{number}"
    assert asked in client.get(own).content.decode()
    settings.SMTP = "smtp://mail.example"
    for address in (own, f"{own}/html", f"{own}/raw", "/api/sites/seeds/mail"):
        said = client.get(address).content.decode().replace("=\n", "").replace("=\r\n", "")
        assert asked[:20] not in said, address
    assert client.get(f"{own}/raw").json()["code"] == "message_sealed"
    # Nor is it found out letter by letter.
    assert client.get("/api/sites/seeds/mail", {"q": asked[:6]}).json()["messages"] == []
    assert len(client.get("/api/sites/seeds/mail", {"q": "me@post.example"}).json()["messages"]) == 1


def test_who_may_only_look_reads_nothing_that_visitors_wrote(site, person):
    wrote = {"email": "v@visitor.example", "message": "My number is 4711.", "path": "/contact/"}
    enquiry = Enquiry.objects.create(site=site, **wrote, received=NOW, digest="d")
    said = {"name": "V", "address": wrote["email"], "moment": "now", "message": wrote["message"]}
    message = put(site, Voice(site, NOW).write("enquiry", said, "me@post.example"), NOW, enquiry)
    one = [f"mail/{message.pk}{form}" for form in ("", "/html", "/raw")]
    paths = ["enquiries", "enquiries.mbox", "mail", "mail?q=4711", *one]
    for role, reads in ((Role.OWNER, True), (Role.EDITOR, True), (Role.VIEWER, False)):
        client = person(role)
        found = [client.get(f"/api/sites/seeds/{path}") for path in paths]
        assert any("4711" in one.content.decode() for one in found) is reads
        if not reads:
            assert [one.status_code for one in found] == [403, 403, 200, 200, 404, 404, 404]
            assert found[2].json()["counts"] == {}
