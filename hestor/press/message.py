"""A message from the site as HTML, for mail: the same logo, name, colours and footer line as its pages."""

from collections.abc import Sequence

from hestor.core.imaging import palettes, typefaces
from hestor.press.frame import JINJA, Frame


def render(frame: Frame, subject: str, paragraphs: Sequence[str]) -> bytes:
    """The message. Its pictures are named by full addresses, and in the format that every mail program shows."""
    facts, brand = frame.facts, frame.public_brand
    text = typefaces.PAIRS[facts.typefaces].text
    own = {
        "subject": subject,
        "paragraphs": paragraphs,
        "theme": palettes.theme(facts.brand_colour, facts.accent_colour, "light"),
        "fonts": f"'{text.family}',{text.fallback}",
        "logo": brand.logo,
        "icon": f"{brand.icon_folder}icon-180.png",
    }
    return JINJA.get_template("message.html.jinja").render({**frame.shared, **own}).encode(errors="replace")
