"""Files in front: what the renderer rendered, laid down for a web server that hands it out by itself.

``FRONT/editions/SITE/KEY`` holds the files of one edition as it is at one moment; nothing in it ever changes.
``FRONT/sites/SITE/SPAN`` leads to the one that is right for a span of time, and ``FRONT/hosts/HOST`` to a site. What
visitors get changes only by taking those links away and setting them anew (docs/decisions/0046).
"""

from hestor.edge_cache.invalidation import drop_links, drop_site, forget_hosts, invalidating
from hestor.edge_cache.paths import is_on
from hestor.edge_cache.writer import lay, link

__all__ = ["drop_links", "drop_site", "forget_hosts", "invalidating", "is_on", "lay", "link"]
