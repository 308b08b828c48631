"""The bytes of messages: from the site's own domain, answers to the right person, never a header of somebody else's."""

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from hestor.mail.models import Body, Message
from hestor.mail.selectors import letters, tray
from hestor.sites.services.facts import write_facts
from tests.conftest import NOW

pytestmark = pytest.mark.django_db
HEADERS = {"From", "To", "Reply-To", "Subject", "Date", "Message-ID", "Content-Language", "Auto-Submitted",
           "MIME-Version", "Content-Type"}  # fmt: skip


def said(**change) -> dict[str, str]:
    return {"name": "Ada", "address": "ada@cottage.example", "moment": "today", "message": "Hello."} | change


def read(letter: letters.Letter):
    return tray.read(Message(body=Body(raw=letter.raw)))


def test_it_comes_from_the_sites_domain_and_answers_go_to_the_right_person(contact_site):
    mail = read(letters.Voice(contact_site, NOW).write("replaced", said(), "me@post.example"))
    assert mail["From"] == "Seed Library <notices@seeds.localhost>"
    assert mail["Reply-To"] == "Seed Library <hello@seeds.example>"
    reply = letters.named("Ada", "ada@cottage.example")
    mail = read(letters.Voice(contact_site, NOW).write("enquiry", said(), "me@post.example", reply))
    assert mail["Reply-To"] == "Ada <ada@cottage.example>"
    assert (mail["Auto-Submitted"], mail["Content-Language"]) == ("auto-generated", "en-GB")


def test_an_own_domain_of_another_script_is_written_as_mail_takes_it(contact_site):
    contact_site.domain = "bücher.example"
    assert letters.own_address(contact_site) == "notices@xn--bcher-kva.example"


def test_it_speaks_the_sites_language_and_words_of_the_sites_own(contact_site, owner):
    from hestor.sites.services.publishing import publish

    own = [{"language": "de", "key": "message.enquiry.subject", "text": "Post von {name} für {site}"}]
    write_facts(contact_site, {"language": "de-CH", "own_words": own}, contact_site.revision)
    publish(contact_site.pk, owner, NOW)
    contact_site.refresh_from_db()
    mail = read(letters.Voice(contact_site, NOW).write("enquiry", said(), "me@post.example"))
    assert mail["Subject"] == "Post von Ada für Seed Library"
    assert "hat Ihnen über das Formular" in tray.part(mail, "plain")
    assert 'lang="de-CH"' in tray.part(mail, "html")


@settings(suppress_health_check=[HealthCheck.function_scoped_fixture], max_examples=25)
@given(st.text(st.characters(codec=None), max_size=60), st.text(st.characters(codec=None), max_size=60))
def test_no_words_begin_another_header(contact_site, name, message):
    odd = said(
        name="=?utf-8?q?=0D=0ABcc:_all@x.example?=" + name + "\r\nBcc: all@x.example", message=message, moment=message
    )
    reply = letters.named(name + "\nBcc: all@x.example", "ada@cottage.example")
    mail = read(letters.Voice(contact_site, NOW).write("enquiry", odd, "me@post.example", reply))
    assert set(mail.keys()) == HEADERS
    assert len(mail.keys()) == len(HEADERS)
    assert mail["To"] == "me@post.example"
    assert [part.get_content_type() for part in mail.iter_parts()] == ["text/plain", "text/html"]


@pytest.mark.parametrize(
    "receiver", ["müller@x.example", '"odd one"@x.example', "a@xn--bcher-kva.example", "a+b@x.example"]
)
def test_any_address_that_is_taken_can_be_written_to(contact_site, receiver):
    mail = read(letters.Voice(contact_site, NOW).write("enquiry", said(), receiver))
    assert [address.addr_spec for address in mail["To"].addresses] == [receiver]


def test_both_forms_hold_what_is_needed_and_html_is_escaped(contact_site):
    odd = "<script>alert(1)</script> {site} {link}"
    mail = read(letters.Voice(contact_site, NOW).write("enquiry", said(message=odd), "me@post.example"))
    assert odd in tray.part(mail, "plain")
    html = tray.part(mail, "html")
    assert "<script" not in html
    assert "&lt;script&gt;alert(1)&lt;/script&gt; {site} {link}" in html


def test_light_and_dark_are_told_apart_for_the_desk(contact_site):
    html = tray.part(read(letters.Voice(contact_site, NOW).write("enquiry", said(), "me@post.example")), "html")
    assert "@media (prefers-color-scheme:dark)" in html
    assert "@media all" in tray.in_theme(html, "dark")
    assert "@media not all" in tray.in_theme(html, "light")
