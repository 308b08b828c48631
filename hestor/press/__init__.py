"""The press: an edition and a path go in, the bytes of a page, feed or manifest come out.

Pure: no Django, no database, no clock. The only files it reads are its own templates, styles and fonts.
"""

from hestor.press.answer import Answer
from hestor.press.edition import Edition, MenuItem, Page
from hestor.press.press import Look, Press, render

__all__ = ["Answer", "Edition", "Look", "MenuItem", "Page", "Press", "render"]
