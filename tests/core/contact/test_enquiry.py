"""What a visitor writes: tidied, and wrong where something is missing."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.contact import enquiry

SAID = {"name": "Ada Marrow", "email": "ada@cottage.example.org", "message": "Hello.\r\nIs it late?"}


def test_what_is_complete_is_kept_tidied():
    written, wrong = enquiry.read({**SAID, "name": " Ada\r\nBcc: all@example.org "})
    assert wrong == {}
    assert written == enquiry.Written("Ada Bcc: all@example.org", "ada@cottage.example.org", "Hello.\nIs it late?")


@pytest.mark.parametrize(
    ("change", "field", "word"),
    [
        ({"email": ""}, "email", "contact.form.missing"),
        ({"email": "ada@"}, "email", "contact.form.bad_email"),
        ({"email": "a@b.example\nBcc: c@d.example"}, "email", "contact.form.bad_email"),
        ({"message": " \n "}, "message", "contact.form.missing"),
        ({"message": "x" * 8001}, "message", "contact.form.too_long"),
        ({"name": "x" * 121}, "name", "contact.form.too_long"),
    ],
)
def test_what_is_wrong_is_said_at_its_field(change, field, word):
    wrong = enquiry.read({**SAID, **change})[1]
    assert {name: one.word for name, one in wrong.items()} == {field: word}


def test_a_name_may_be_left_out():
    assert enquiry.read({**SAID, "name": ""})[1] == {}


@given(st.dictionaries(st.sampled_from(["name", "email", "message", "other"]), st.text(max_size=200)))
def test_a_name_is_one_line_whatever_is_sent(given):
    written, _ = enquiry.read(given)
    assert len(written.name.splitlines()) <= 1
    assert "\r" not in written.message
