"""A message from the site, for mail: in the words, colours and dates of its pages, as HTML and as text."""

import re
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from hestor.core.imaging import palettes, typefaces
from hestor.core.messages.kinds import MessageKind
from hestor.core.text import lines
from hestor.rendering import details
from hestor.rendering.frame import JINJA, Frame


@dataclass(frozen=True)
class Paragraph:
    """A paragraph's text; ``name`` is the fill-in that it stands for, if it stands for one."""

    text: str
    name: str = ""


@dataclass(frozen=True)
class Message:
    """What goes into a message: its subject, and its two forms."""

    subject: str
    html: bytes
    text: str


def fill_in(names: Iterable[str]) -> re.Pattern[str]:
    """A fill-in of one of some names, which stands apart in what is split by it."""
    return re.compile(rf"\{{({'|'.join(map(re.escape, names))})\}}")


def _filled(frame: Frame, text: str, said: Mapping[str, str]) -> str:
    """A text with the message's own fill-ins and those of all texts. What is filled in is not looked at again."""
    pieces = fill_in(said).split(text) if said else [text]
    return "".join(said[piece] if at % 2 else frame.filled(piece) for at, piece in enumerate(pieces))


def paragraphs(frame: Frame, kind: MessageKind, said: Mapping[str, str]) -> list[Paragraph]:
    """The paragraphs of a message: what stands apart has one of its own."""
    found_paragraphs = []
    whole = frame.word(kind.text_key)
    pieces = fill_in(kind.apart).split(whole) if kind.apart else [whole]
    for at, piece in enumerate(pieces):
        if at % 2:
            found_paragraphs.append(Paragraph(said.get(piece, ""), piece))
        elif text := _filled(frame, piece, said).strip():
            found_paragraphs.append(Paragraph(text))
    return [paragraph for paragraph in found_paragraphs if paragraph.text]


def _text(frame: Frame, parts: Sequence[Paragraph], footer: str) -> str:
    """The form for programs that show text only, with the mark that stands before a signature (RFC 3676, 4.3)."""
    line = details.contact_line(frame)
    words = line.label if line else ""
    email = frame.facts.contact_email if line else ""
    foot = [frame.facts.name, footer, f"{words} {email}".strip(), f"{frame.state.origin}/"]
    return "\n\n".join(paragraph.text for paragraph in parts) + "\n\n-- \n" + "\n".join(filter(None, foot)) + "\n"


def render(frame: Frame, kind: MessageKind, said: Mapping[str, str]) -> Message:
    """The message. Its pictures are named by full addresses, and in the format that every mail program shows."""
    said = {name: lines.carried(text) for name, text in said.items()}
    facts, brand = frame.facts, frame.public_brand
    text = typefaces.PAIRS[facts.typefaces].text
    subject = " ".join(_filled(frame, frame.word(kind.subject_key), said).split())
    parts = paragraphs(frame, kind, said)
    themes = palettes.themes(facts.brand_colour, facts.accent_colour)
    own = {
        "subject": subject,
        "paragraphs": parts,
        "theme": themes["light"],
        "dark": themes["dark"],
        "fonts": f"'{text.family}',{text.fallback}",
        "logo": brand.logo,
        "icon": f"{brand.icon_folder}icon-180.png",
        "line": details.contact_line(frame),
    }
    html = JINJA.get_template("message.html.jinja").render({**frame.shared, **own}).encode(errors="replace")
    return Message(subject, html, _text(frame, parts, frame.shared["footer"]))
