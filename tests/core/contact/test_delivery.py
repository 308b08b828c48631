"""What is said of a domain by its mail hosts, SPF and DMARC."""

import pytest

from hestor.core.contact import addresses, delivery
from hestor.core.contact.delivery import Delivery

GOOD = Delivery("seeds.example", "yes", ("mail.seeds.example",), ("v=spf1 mx -all",), "v=DMARC1; p=quarantine; pct=100")


def codes(found: Delivery, address: str = "hello@seeds.example", own: str = "seeds.example") -> list[str]:
    return [problem.code for problem in delivery.notices("contact_email", address, own, found)]


def test_a_domain_that_takes_mail_and_says_who_sends_for_it_is_fine():
    assert (codes(GOOD), GOOD.strictness, GOOD.policy) == ([], "fail", "quarantine")


@pytest.mark.parametrize("takes", ["no", "refuses", "missing", "unknown"])
def test_a_domain_that_takes_no_mail_is_said_first(takes):
    assert codes(Delivery("seeds.example", takes)) == [f"mail_{takes}"]


@pytest.mark.parametrize(
    ("policies", "asked", "expected"),
    [
        ((), "v=DMARC1; p=none", ["spf_missing"]),
        (("v=spf1 mx -all", "v=spf1 a -all"), "v=DMARC1;p=reject", ["spf_twice"]),
        (("v=spf1 +all",), "v=DMARC1; p=none", ["spf_open"]),
        (("v=spf1 mx ?all",), "v=DMARC1; p=none", ["spf_open"]),
        (("v=spf1",), "v=DMARC1; p=none", ["spf_open"]),
        (("v=spf1 mx ~all",), "", ["dmarc_missing"]),
        (("v=spf1 mx ~all",), "v=DMARC1", ["dmarc_missing"]),
        ((), "", ["spf_missing", "dmarc_missing"]),
    ],
)
def test_who_may_send_is_asked_about_on_the_sites_own_domain(policies, asked, expected):
    found = Delivery("seeds.example", "yes", ("mail",), policies, asked)
    assert codes(found) == expected
    assert codes(found, own="other.example") == codes(found, own="") == []
    assert codes(found, "hello@mail.seeds.example") == expected


@pytest.mark.parametrize(
    ("address", "own", "expected", "fix"),
    [
        ("a@gmial.com", "", ["email_slip"], "gmail.com"),
        ("a@quillmere-seed.example", "quillmere-seeds.example", ["email_slip"], "quillmere-seeds.example"),
        ("a@www-seeds.con", "", ["email_slip"], "www-seeds.com"),
        ("a@gmail.com", "seeds.example", ["email_free"], None),
        ("ada.marrow@gmx.de", "", ["email_free", "email_one_person"], None),
        ("a@seeds.example", "www.seeds.example", [], None),
        ("a@mail.seeds.example", "seeds.example", [], None),
        ("a@other.example", "seeds.example", ["email_other_domain"], None),
        ("a@müller.example", "", [], None),
    ],
)
def test_likely_slips_and_what_an_address_says_of_its_owner(address, own, expected, fix):
    found = list(addresses.notices("contact_email", address, own))
    assert [problem.code for problem in found] == expected
    if fix:
        slip = found[0]
        assert address[: slip.start] + slip.fix + address[slip.end :] == f"a@{fix}"
