"""The form of a contact page: taken once, refused clearly, never lost; no cookie, no second header."""

import re
from urllib.parse import urlencode

import pytest
from django.test import Client

from hestor.mail.models import Enquiry, Message
from hestor.mail.services import enquiries, notices
from hestor.sites.services.facts import write_facts
from hestor.sites.services.new_pages import page_of_kind
from hestor.sites.services.publishing import publish
from tests.conftest import NOW

pytestmark = pytest.mark.django_db
SAID = {"name": "Ada", "email": "ada@cottage.example.org", "message": "Hello.\nIs it late?"}
PAGE = "/contact/"


@pytest.fixture
def form_site(site, owner):
    page_of_kind(site, "contact")
    notices.set_in_force(site, "me@post.example", NOW)
    site.refresh_from_db()
    publish(site.pk, owner, NOW)
    site.refresh_from_db()
    return site


@pytest.fixture
def visitor() -> Client:
    return Client(headers={"host": "seeds.localhost"})


def stamp(visitor: Client) -> str:
    return re.search(r'name="stamp" value="([^"]+)"', visitor.get(PAGE).content.decode())[1]


def send(visitor: Client, path: str = PAGE, **said):
    given = {**SAID, "stamp": stamp(visitor), **said}
    body = urlencode(
        {name: value for name, value in given.items() if value is not None}, encoding="utf-8", errors="replace"
    )
    return visitor.post(path, body, "application/x-www-form-urlencoded")


def test_a_message_arrives_and_its_sender_is_told_what_happens_next(form_site, visitor):
    answer = send(visitor)
    assert (answer.status_code, answer["Location"]) == (303, "/contact/sent/#text")
    assert "no-store" in answer["Cache-Control"]
    told = visitor.get("/contact/sent/")
    assert (told.status_code, 'content="noindex' in told.content.decode()) == (200, True)
    assert "kept for 180 days" in told.content.decode()
    kept = Enquiry.objects.get()
    assert (kept.name, kept.email, kept.message, kept.path) == ("Ada", SAID["email"], SAID["message"], PAGE)
    message = Message.objects.get()
    assert (message.receiver, message.enquiry_id) == ("me@post.example", kept.pk)
    assert f"Reply-To: Ada <{SAID['email']}>".encode() in bytes(message.body.raw)
    assert not visitor.cookies
    assert kept.origin
    assert "127.0.0.1" not in kept.origin


def test_each_form_has_a_stamp_of_its_own_and_is_kept_in_no_cache(form_site, visitor):
    assert stamp(visitor) != stamp(visitor)
    assert "no-store" in visitor.get(PAGE)["Cache-Control"]
    assert visitor.get("/")["Cache-Control"] == "no-cache"


@pytest.mark.parametrize(
    ("change", "field", "says"),
    [
        ({"email": ""}, "email", "Please fill this in."),
        ({"email": "ada@"}, "email", "We can’t answer to this address."),
        ({"message": ""}, "message", "Please fill this in."),
        ({"message": "x" * 9000}, "message", "at most 8000 characters"),
    ],
)
def test_what_is_missing_is_said_at_its_field_and_the_rest_is_kept(form_site, visitor, change, field, says):
    answer = send(visitor, **change)
    text = answer.content.decode()
    assert (answer.status_code, Enquiry.objects.count()) == (422, 0)
    assert re.search(rf'id="wrong-{field}">[^<]*{re.escape(says)}', text)
    assert re.search(rf'id="{field}"[^>]*aria-invalid="true" aria-describedby="wrong-{field}"', text)
    for name, value in SAID.items():
        if name not in change:
            assert value.partition("\n")[0] in text
    # With a stamp of its own it can be sent again at once.
    again = re.search(r'name="stamp" value="([^"]+)"', text)[1]
    assert send(visitor, stamp=again).status_code == 303


@pytest.mark.parametrize("odd", [None, "", "x", "x" * 5000])
def test_without_its_stamp_a_form_is_shown_again_with_what_was_typed(form_site, visitor, odd):
    answer = send(visitor, stamp=odd)
    assert (answer.status_code, Enquiry.objects.count()) == (422, 0)
    assert "Nothing is lost" in answer.content.decode()
    assert SAID["email"] in answer.content.decode()


def test_an_old_stamp_and_one_of_another_site_are_good_no_more(form_site, visitor, monkeypatch):
    old = stamp(visitor)
    assert send(visitor, stamp=enquiries.new_stamp(form_site.pk + 1)).status_code == 422
    monkeypatch.setattr(enquiries, "_STAMP_SECONDS", -1)
    assert send(visitor, stamp=old).status_code == 422


def test_a_form_that_comes_twice_is_taken_once(form_site, visitor):
    same = stamp(visitor)
    assert [send(visitor, stamp=same).status_code for _ in range(3)] == [303, 303, 303]
    assert (Enquiry.objects.count(), Message.objects.count()) == (1, 1)
    # Something else with the same stamp is shown again, with a new one.
    other = send(visitor, stamp=same, message="Something else")
    assert (other.status_code, Enquiry.objects.count()) == (422, 1)
    assert "Something else" in other.content.decode()
    again = re.search(r'name="stamp" value="([^"]+)"', other.content.decode())[1]
    assert send(visitor, stamp=again, message="Something else").status_code == 303
    assert Enquiry.objects.count() == 2


def test_what_only_a_program_fills_in_is_kept_apart_and_nobody_is_told(form_site, visitor):
    assert send(visitor, website="https://x.example").status_code == 303
    assert (Enquiry.objects.get().suspect, Message.objects.count()) == (True, 0)


def test_one_sender_is_held_back_before_all_are(form_site, visitor, settings):
    settings.ENQUIRIES_OF_ONE, settings.ENQUIRIES_OF_ALL = 2, 3
    assert [send(visitor, message=str(n)).status_code for n in range(3)] == [303, 303, 429]
    held = send(visitor, message="Kept as it was typed")
    assert "Kept as it was typed" in held.content.decode()
    other = Client(headers={"host": "seeds.localhost"}, REMOTE_ADDR="198.51.100.7")
    assert [send(other, message=f"x{n}").status_code for n in range(3)] == [303, 303, 429]


def test_however_many_write_the_form_stays_open_and_only_the_telling_ends(form_site, settings):
    settings.ENQUIRIES_OF_ONE, settings.ENQUIRIES_OF_ALL = 1, 3
    for number in range(8):
        visitor = Client(headers={"host": "seeds.localhost"}, REMOTE_ADDR=f"198.51.100.{number}")
        assert send(visitor, message=str(number)).status_code == 303
    assert (Enquiry.objects.count(), Message.objects.count()) == (8, 3)
    settings.ENQUIRIES_OF_ALL = 0
    assert send(Client(headers={"host": "seeds.localhost"}, REMOTE_ADDR="198.51.100.99")).status_code == 429


def test_a_house_of_many_addresses_is_one_sender(form_site, settings):
    settings.ENQUIRIES_OF_ONE = 2
    codes = [
        send(Client(headers={"host": "seeds.localhost"}, REMOTE_ADDR=address), message=address).status_code
        for address in ("2001:db8::1", "2001:db8::2", "2001:db8::3", "2001:db8:0:1::1")
    ]
    assert codes == [303, 303, 429, 303]


HOSTILE = [
    {"name": "Ada\r\nBcc: all@x.example"},
    {"name": "Ada\nContent-Type: text/html", "message": "\r\n.\r\nMAIL FROM:<x@x.example>"},
    {"message": "<script>alert(1)</script>\x00\ud800"},
    {"name": "=?utf-8?q?=0D=0ABcc:_all@x.example?="},
    {"name": "\u202egnp.exe"},
]


@pytest.mark.parametrize("odd", HOSTILE)
def test_line_breaks_and_marks_make_no_second_header(form_site, visitor, odd):
    assert send(visitor, **odd).status_code == 303
    raw = bytes(Message.objects.get().body.raw)
    head = raw.partition(b"\r\n\r\n")[0]
    names = re.findall(rb"^([A-Za-z-]+):", head, re.MULTILINE)
    assert len(names) == len(set(names))
    assert b"Bcc" not in names
    assert b"<script" not in raw.partition(b"text/html")[2]


@pytest.mark.parametrize(
    "email", ["a@x.example\r\nBcc: b@x.example", "a@x.example, b@x.example", "a@x.example\x00", "<a@x>"]
)
def test_an_address_that_is_none_is_refused(form_site, visitor, email):
    assert send(visitor, email=email).status_code == 422
    assert Enquiry.objects.count() == 0


@pytest.mark.parametrize("email", ["ada@xn--bcher-kva.example.org", "müller@bücher.example.org", "ада@пример.рф"])
def test_addresses_of_all_scripts_are_answered(form_site, visitor, email):
    assert send(visitor, email=email).status_code == 303
    assert Message.objects.count() == 1


def test_far_too_much_is_refused_clearly(form_site, visitor):
    many = "&".join(f"f{n}=x" for n in range(100_000))
    huge = urlencode({**SAID, "message": "x" * 10_000_000, "stamp": stamp(visitor)})
    for body in (many, huge):
        answer = visitor.post(PAGE, body, "application/x-www-form-urlencoded")
        assert answer.status_code == 413
        assert "at most 8000 characters" in answer.content.decode()
    few = "&".join(f"f{n}=x" for n in range(2_000))
    assert visitor.post(PAGE, few, "application/x-www-form-urlencoded").status_code == 413
    odd = visitor.post(PAGE, b"\xff\x00--", "multipart/form-data; boundary=x")
    assert (odd.status_code, Enquiry.objects.count()) in ((413, 0), (422, 0))


@pytest.mark.parametrize("path", ["/", "/about/", "/contact", "/contact/sent/", "/nowhere/", "/feed.xml"])
def test_nothing_else_takes_what_is_sent(form_site, visitor, path):
    assert visitor.post(path, SAID).status_code == 405


def test_a_site_without_a_form_takes_nothing(form_site, owner, visitor):
    write_facts(form_site, {"contact_parts": {"footer": [], "page": ["email"]}}, form_site.revision)
    publish(form_site.pk, owner, NOW)
    assert b"<form" not in visitor.get(PAGE).content
    assert visitor.post(PAGE, SAID).status_code == 405
    assert visitor.get("/contact/sent/").status_code == 404


def test_it_speaks_the_sites_language(form_site, owner, visitor):
    write_facts(form_site, {"language": "ar"}, form_site.revision)
    publish(form_site.pk, owner, NOW)
    text = send(visitor, message="").content.decode()
    assert "يُرجى ملء هذا الحقل." in text
    assert "تُحفظ رسالتك ١٨٠ يومًا" in text or "تُحفظ رسالتك 180 يومًا" in text


def test_a_preview_sends_nothing(form_site, visitor):
    from hestor.sites.selectors import previews

    path = previews.link(form_site, None, PAGE).partition("localhost:8000")[2]
    shown = visitor.get(path).content.decode()
    assert '<button type="submit" disabled' in shown
    assert visitor.post(path, SAID).status_code == 405
