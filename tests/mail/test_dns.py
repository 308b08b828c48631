"""The simulated name service, and what is made of its answers."""

import pytest
from dns import exception, resolver

from hestor.mail import dns


@pytest.mark.parametrize(
    ("domain", "takes", "strictness", "policy"),
    [
        ("quillmere-seeds.example", "yes", "fail", "quarantine"),
        ("QUILLMERE-seeds.example", "yes", "fail", "quarantine"),
        ("silberpfad.example", "yes", "softfail", ""),
        ("no-mail.example", "no", "", ""),
        ("null-mail.example", "refuses", "", ""),
        ("address-only.example", "yes", "", ""),
        ("nowhere.missing.example", "missing", "", ""),
        ("somebody-elses.example", "unknown", "", ""),
        ("xn--.example", "unknown", "", ""),
    ],
)
def test_the_simulated_service_answers_for_its_own_domains(domain, takes, strictness, policy):
    found = dns.delivery_of(domain)
    assert (found.takes, found.strictness, found.policy) == (takes, strictness, policy)


def test_hosts_come_by_preference():
    assert dns.delivery_of("silberpfad.example").hosts == ("post.silberpfad.example", "post2.silberpfad.example")


@pytest.mark.parametrize(
    ("error", "takes"),
    [
        (resolver.NXDOMAIN(), "missing"),
        (exception.Timeout(), "unknown"),
        (resolver.NoNameservers(), "unknown"),
        (OSError(), "unknown"),
        (resolver.NoAnswer(), "no"),
    ],
)
def test_a_real_resolver_is_a_setting_away_and_may_fail(settings, monkeypatch, error, takes):
    def fails(*args, **options):
        raise error

    settings.DNS = "resolver"
    monkeypatch.setattr(resolver, "resolve", fails)
    assert dns.delivery_of("anything.example").takes == takes
