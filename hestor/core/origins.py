"""Where something comes from, for counting: an address, or the network that it belongs to.

Of IPv6 a house is given at least 2^64 addresses (RFC 6177, RFC 7381), and many are given far more networks than one; so
tries are counted by /64, and, so that nobody goes on in the next one for ever, by /48 and /32 with more room.
"""

from ipaddress import IPv6Address, ip_address, ip_network

_ROOM = {64: 1, 48: 4, 32: 16}
"""How many times what one origin may is what all of a wider network may, by the length of its prefix (IPv6)."""
UNKNOWN = "::"


def origin(address: str) -> str:
    """The origin that an address belongs to, as an address: itself, or the first of its /64; ``::`` for no address.

    An IPv4 address in the clothes of an IPv6 one (RFC 4291, 2.5.5.2) is itself.
    """
    return widening(address)[0][0]


def widening(address: str) -> tuple[tuple[str, int], ...]:
    """Its origin and the networks around it, the narrowest first: the first address of each, and its room."""
    try:
        found_ip_address = ip_address(address.partition("%")[0])
    except ValueError:
        return ((UNKNOWN, 1),)
    if isinstance(found_ip_address, IPv6Address) and found_ip_address.ipv4_mapped:
        found_ip_address = found_ip_address.ipv4_mapped
    if found_ip_address.version == 4:
        return ((str(found_ip_address), 1),)
    return tuple((str(ip_network((found_ip_address, length), strict=False)[0]), room) for length, room in _ROOM.items())
