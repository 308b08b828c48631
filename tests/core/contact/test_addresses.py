"""Email addresses: which are taken, in which form, and where a slip is pointed at."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.contact import addresses


@pytest.mark.parametrize(
    ("typed", "kept"),
    [
        ("hello@quillmere-seeds.example.org", "hello@quillmere-seeds.example.org"),
        ("  Hello@Example.ORG ", "Hello@example.org"),
        ("mailto:hello@example.org?subject=Hi", "hello@example.org"),
        ("Edith Marlow <edith@example.org>", "edith@example.org"),
        ("jürgen@müller.example.org", "jürgen@müller.example.org"),
        ("مرحبا@مثال.example.org", "مرحبا@مثال.example.org"),
        ("hello@xn--mller-kva.example.org", "hello@müller.example.org"),
        ('"odd one"@example.org', None),
        ("", ""),
    ],
)
def test_addresses_are_kept_in_one_form(typed, kept):
    value, problems = addresses.check("contact_email", typed)
    if kept is None:
        assert problems
    else:
        assert (value, problems) == (kept, ())


@pytest.mark.parametrize(
    ("typed", "code", "mended"),
    [
        ("hello(at)example.org", "email_spelt_at", "hello@example.org"),
        ("hello [at] example.org", "email_spelt_at", "hello@example.org"),
        ("hel lo@example.org", "email_space", "hello@example.org"),
        ("hello@example,org", "email_comma", "hello@example.org"),
        ("hello@example..org", "email_dots", "hello@example.org"),
        ("hello.example.org", "email_without_at", None),
        ("hello@@example.org", "email_two_ats", None),
        ("hello@example", "email_domain", None),
        ("hello@-example.org", "email_form", None),
        ("@example.org", "email_form", None),
        ("hello@example.org\nBcc: all@example.org", "email_space", None),
        ("x" * 65 + "@example.org", "email_form", None),
        ("x" * 600 + "@example.org", "too_long", None),
        (5, "not_text", None),
    ],
)
def test_a_slip_is_pointed_at_with_its_mend(typed, code, mended):
    problem = addresses.check("contact_email", typed)[1][0]
    assert problem.code == code
    if mended:
        assert typed[: problem.start] + problem.fix + typed[problem.end :] == mended


@given(st.text(max_size=300))
def test_what_is_kept_is_kept_again_and_holds_no_break(typed):
    value, problems = addresses.check("contact_email", typed)
    if not problems:
        assert addresses.check("contact_email", value) == (value, ())
        assert not any(letter in value for letter in "\r\n\t <>")


def test_what_should_be_thought_of_depends_on_the_sites_own_domain():
    def codes(address: str, own: str) -> list[str]:
        return [one.code for one in addresses.notices("contact_email", address, own)]

    assert codes("hello@example.org", "www.example.org") == codes("hello@mail.example.org", "example.org") == []
    assert codes("hello@notexample.org", "example.org") == ["email_other_domain"]
    assert codes("edith.marlow@example.org", "") == ["email_one_person"]
