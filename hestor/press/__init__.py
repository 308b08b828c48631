"""The press: a state of a site and a path go in, the bytes of a page, feed or manifest come out.

Pure: no Django, no database, no clock. The only files it reads are its own templates, styles and fonts.
"""

from hestor.press.frame import Preview
from hestor.press.renderer import Renderer, render
from hestor.press.response import Response
from hestor.press.state import MenuItem, Page, SiteState

__all__ = ["MenuItem", "Page", "Preview", "Renderer", "Response", "SiteState", "render"]
