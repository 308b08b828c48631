"""A whole site as a package: a ZIP of ``hestor.json``, Markdown files in ``pages/`` and pictures in ``pictures/``.

``hestor.json`` holds the facts, what is said of each picture, and by what machines know each page.
"""

import json
import zipfile
from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import datetime
from io import BytesIO
from typing import Any
from uuid import UUID

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from hestor.core.errors import InvalidInput, Problem
from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.pages import package

NAME = "hestor.json"
VERSION = 1
MOST_BYTES = 8_000_000


class PictureWords(BaseModel):
    """What is said of a picture; ``key`` is by what the facts name it."""

    model_config = ConfigDict(extra="ignore")
    key: str = Field(default="", max_length=32)
    name: str = ""
    title: str = ""
    description: str = ""
    caption: str = ""

    def words(self) -> dict[str, str]:
        """The words alone."""
        return self.model_dump(exclude={"key"})


class PageIdentity(BaseModel):
    """By what machines know a page, and when its words last changed."""

    model_config = ConfigDict(extra="ignore")
    uuid: UUID
    worded: datetime | None = None


class _About(BaseModel):
    model_config = ConfigDict(extra="ignore")
    slug: str = Field(default="", max_length=100)
    uuid: UUID | None = None


class _File(BaseModel):
    model_config = ConfigDict(extra="ignore")
    hestor: int
    facts: dict[str, Any]
    site: _About = Field(default_factory=_About)
    pictures: dict[str, PictureWords] = Field(default_factory=dict)
    pages: dict[str, PageIdentity] = Field(default_factory=dict)


@dataclass(frozen=True)
class Described:
    """What ``hestor.json`` says; ``pictures`` and ``pages`` by their files."""

    facts: Facts
    slug: str
    uuid: UUID | None
    pictures: Mapping[str, PictureWords] = field(default_factory=dict)
    pages: Mapping[str, PageIdentity] = field(default_factory=dict)


def of_zip(body: bytes) -> Described:
    """What the package in a ZIP says of itself. Raises InvalidInput if that can't be read, or it is none."""
    try:
        with zipfile.ZipFile(BytesIO(body)) as archive:
            entry = archive.getinfo(NAME)
            said = None if package.unreadable(entry) else package.read_entry(archive, entry, MOST_BYTES + 1)
    except package.BROKEN as error:
        raise _refuse("package_none") from error
    if said is None or len(said) > MOST_BYTES:
        raise _refuse("package_unreadable")
    return read(said)


def _refuse(code: str) -> InvalidInput:
    return InvalidInput([Problem("file", code, {"name": NAME})])


def read(body: bytes) -> Described:
    """What a package says of itself. Raises InvalidInput if it can't be read, or is of a later version."""
    try:
        said = json.loads(body)
        if isinstance(said, dict) and isinstance(said.get("hestor"), int) and said["hestor"] > VERSION:
            raise _refuse("package_later")
        found = _File.model_validate(said)
        facts = document.parse(found.facts)
    except (ValueError, ValidationError, RecursionError, KeyError, TypeError, AttributeError) as error:
        raise _refuse("package_unreadable") from error
    return Described(facts, found.site.slug, found.site.uuid, found.pictures, found.pages)
