"""Origins for counting: a house is one, however many addresses it has."""

from ipaddress import IPv6Address, ip_network

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core import origins


@given(st.integers(0, 2**128 - 1), st.integers(0, 2**64 - 1))
def test_all_addresses_of_a_network_of_64_bits_are_one_origin(number, other):
    address = IPv6Address(number)
    if address.ipv4_mapped:
        return
    neighbour = IPv6Address((number >> 64 << 64) | other)
    if not neighbour.ipv4_mapped:
        assert origins.origin(str(address)) == origins.origin(str(neighbour))


@given(st.ip_addresses(v=6))
def test_each_wider_network_holds_the_narrower_ones_and_has_more_room(address):
    found = origins.widening(str(address))
    if address.ipv4_mapped:
        assert found == ((str(address.ipv4_mapped), 1),)
        return
    assert [room for _, room in found] == [1, 4, 16]
    for (first, _), length in zip(found, (64, 48, 32), strict=True):
        assert address in ip_network(f"{first}/{length}")


@pytest.mark.parametrize(
    ("address", "origin"),
    [
        ("203.0.113.9", "203.0.113.9"),
        ("::ffff:203.0.113.9", "203.0.113.9"),
        ("2001:db8:1:2:3:4:5:6", "2001:db8:1:2::"),
        ("fe80::1%eth0", "fe80::"),
        ("", "::"),
        ("nowhere", "::"),
    ],
)
def test_an_origin(address, origin):
    assert origins.origin(address) == origin
