"""Files in front: what the press rendered, laid down for a web server that hands it out by itself.

``FRONT/editions/SITE/KEY`` holds the files of one edition as it is at one moment; nothing in it ever changes.
``FRONT/sites/SITE/SPAN`` leads to the one that is right for a span of time, and ``FRONT/hosts/HOST`` to a site. What
visitors get changes only by taking those links away and setting them anew (docs/decisions/0046).
"""

from hestor.front.laying import lay, link
from hestor.front.places import is_on
from hestor.front.switching import drop_links, drop_site, forget_hosts, switching

__all__ = ["drop_links", "drop_site", "forget_hosts", "is_on", "lay", "link", "switching"]
