"""The renderer: a state of a site and a path go in, the bytes of a page, feed or manifest come out.

Pure: no Django, no database, no clock. The only files it reads are its own templates, styles and fonts.
"""

from hestor.rendering.frame import Preview
from hestor.rendering.renderer import Renderer, render
from hestor.rendering.response import Response
from hestor.rendering.state import MenuItem, Page, SiteState

__all__ = ["MenuItem", "Page", "Preview", "Renderer", "Response", "SiteState", "render"]
