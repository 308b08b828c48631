"""Where a site is read: domains as they are typed, and the lines for a registrar."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core import site_address
from hestor.core.site_address import Record, SiteAddress


@pytest.mark.parametrize(
    ("typed", "read"),
    [
        ("example.org", ("example.org", False)),
        (" https://WWW.Example.org/about/?x ", ("example.org", True)),
        ("www.example.org.", ("example.org", True)),
        ("Bücher.example", ("xn--bcher-kva.example", False)),
        ("مثال.example", ("xn--mgbh0fb.example", False)),
        ("seeds.example.org:8000", ("seeds.example.org", False)),
        ("", ("", False)),
    ],
)
def test_a_domain_is_read_however_it_was_typed(typed, read):
    assert site_address.read_domain(typed) == read


@pytest.mark.parametrize(
    "typed", ["no domain", "-x.example", "a..b", "x" * 70 + ".example", "localhost", "ex_ample.org"]
)
def test_what_is_no_domain(typed):
    with pytest.raises(ValueError, match=typed[:9]):
        site_address.read_domain(typed)


@given(st.text(max_size=40))
def test_whatever_is_typed_is_read_or_refused(typed):
    try:
        host, _ = site_address.read_domain(typed)
    except ValueError:
        return
    assert host == "" or "." in host
    assert host.isascii()


@pytest.mark.parametrize(
    ("given_address", "codes"),
    [
        (SiteAddress("seeds", "example.org", True, "/seeds"), []),
        (SiteAddress("www"), ["slug_reserved"]),
        (SiteAddress("Seeds"), ["slug_form"]),
        (SiteAddress("seeds", "quillmere.sites.example"), ["domain_ours"]),
        (SiteAddress("seeds", "10.0.0.1"), ["domain_form"]),
        (SiteAddress("seeds", "example.org", folder="/a/b"), ["folder_form"]),
        (SiteAddress("seeds", "example.org", folder="/_hestor"), ["folder_form"]),
        (SiteAddress("seeds", folder="/seeds"), ["folder_alone"]),
    ],
)
def test_what_is_wrong_with_an_address(given_address, codes):
    assert [one.code for one in site_address.problems(given_address, "sites.example", "desk.example")] == codes


@pytest.mark.parametrize(
    ("parts", "after"),
    [
        ((None, None, None, None), SiteAddress("seeds", "example.org", True, "/a")),
        ((" Beans ", None, None, None), SiteAddress("beans", "example.org", True, "/a")),
        ((None, "other.example", None, None), SiteAddress("seeds", "other.example", False, "/a")),
        ((None, "www.other.example", None, "b"), SiteAddress("seeds", "other.example", True, "/b")),
        ((None, None, False, ""), SiteAddress("seeds", "example.org", False, "")),
        ((None, "", True, "b"), SiteAddress("seeds")),
    ],
)
def test_what_is_typed_changes_an_address(parts, after):
    assert site_address.changed(SiteAddress("seeds", "example.org", True, "/a"), *parts) == after


@pytest.mark.parametrize(
    ("host", "found", "leads"),
    [("", None, "none"), ("x.example", None, "unknown"), ("x.example", (), "nowhere"),
     ("x.example", ("192.0.2.1",), "elsewhere"), ("x.example", ("192.0.2.1", "192.0.2.80"), "here")],
)  # fmt: skip
def test_where_a_domain_leads(host, found, leads):
    assert site_address.leads(host, found, ["192.0.2.80"]) == leads


def test_what_is_to_be_entered_at_the_registrar():
    given_address = SiteAddress("seeds", "example.org", True)
    assert site_address.records(given_address, ["192.0.2.80", "2001:db8::80"], "word") == (
        Record("example.org", "A", "192.0.2.80"),
        Record("example.org", "AAAA", "2001:db8::80"),
        Record("www.example.org", "CNAME", "example.org."),
        Record("_hestor.example.org", "TXT", "hestor=word"),
    )
    assert site_address.records(SiteAddress("seeds"), ["192.0.2.80"], "word") == ()


@pytest.mark.parametrize(("typed", "folder"), [("seeds", "/seeds"), ("/Seeds/", "/seeds"), ("", ""), ("/", "")])
def test_a_folder_is_read_however_it_was_typed(typed, folder):
    assert site_address.read_folder(typed) == folder
