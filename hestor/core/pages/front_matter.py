"""Pages as Markdown files with front matter (YAML between two lines of hyphens), read and written.

What is written is read back as the same page: every field that is not as usual stands in the front matter, under its
own name; ``parent`` is the address of the page above.
"""

import re
from collections.abc import Iterator
from datetime import datetime, time
from typing import Any

import yaml

from hestor.core.errors import Problem
from hestor.core.pages.fields import MOST_BODY, PageFields
from hestor.core.text import lines

_LOADER = getattr(yaml, "CSafeLoader", yaml.SafeLoader)
_DUMPER = getattr(yaml, "CSafeDumper", yaml.SafeDumper)
_HEAD = re.compile(r"\A(?:\ufeff)?---[ \t]*\n(.*?)^(?:---|\.\.\.)[ \t]*(?:\n|\Z)", re.DOTALL | re.MULTILINE)
_MOST_HEAD = 20_000
_OTHER_NAMES = {"description": "summary", "date": "published", "weight": "order", "slug": "path", "permalink": "path"}
"""Words that other makers of such files use for the same things."""
_TEXTS = {"path", "title", "own_title", "menu_title", "summary", "kind", "parent"}
KNOWN = tuple(name for name in PageFields.model_fields if name != "body")


def _events(head: str) -> Iterator[yaml.Event]:
    """The events of a text that may hold an alias; none of one that can't."""
    try:
        yield from yaml.parse(head, _LOADER) if "*" in head else ()
    except yaml.YAMLError:
        return


def _parsed(head: str) -> dict[str, Any]:
    found = yaml.load(head, _LOADER)  # noqa: S506 a safe one, in C where it is there
    if found is None:
        return {}
    if not isinstance(found, dict):
        raise yaml.YAMLError("no mapping")
    return {str(key): value for key, value in found.items()}


def _plain(name: str, value: Any) -> Any:
    if name in _TEXTS and value is not None and not isinstance(value, (dict, list)):
        return lines.tidy(str(value))
    if isinstance(value, datetime):
        return value.date() if name == "published" else value
    if isinstance(value, int) and name == "published_at":
        # YAML 1.1 reads 18:30 as a number to the base of sixty.
        return time(value // 60, value % 60) if 0 <= value < 1440 else value
    return value


def _title_of(body: str) -> tuple[str, str]:
    """A title from the text's first heading, and the text without it."""
    match = re.match(r"\s*+#[ \t]++([^\n]++)", body)
    if not match:
        return "", body
    said = match[1].rstrip(" \t")
    return said.rstrip("#").rstrip(" \t") or said, body[match.end() :].lstrip("\n")


def read(text: str) -> tuple[dict[str, Any], list[Problem]]:
    """The fields of a page as a file says them, its text among them; and what of the file can't be taken.

    A file without front matter is all text; its title is its first heading.
    """
    text = text.replace("\r\n", "\n").replace("\r", "\n")
    match = _HEAD.match(text)
    body = text[match.end() :] if match else text.removeprefix("\ufeff")
    if len(body) > MOST_BODY:
        return {}, [lines.too_long("body", body, MOST_BODY)]
    problems: list[Problem] = []
    given: dict[str, Any] = {}
    if match:
        head = match[1]
        # A few lines of aliases unfold to gigabytes, so none are taken.
        if len(head) > _MOST_HEAD or any(isinstance(event, yaml.AliasEvent) for event in _events(head)):
            return {}, [Problem("front_matter", "front_matter_unreadable", {"line": 1})]
        try:
            given = _parsed(head)
        except (yaml.YAMLError, ValueError, RecursionError) as error:
            mark = getattr(error, "problem_mark", None)
            return {}, [Problem("front_matter", "front_matter_unreadable", {"line": mark.line + 2 if mark else 1})]
    fields: dict[str, Any] = {}
    for key, value in given.items():
        name = _OTHER_NAMES.get(key, key)
        if name in KNOWN:
            fields.setdefault(name, _plain(name, value))
        else:
            problems.append(Problem("front_matter", "front_matter_unknown", {"name": lines.shorten(key, 40)}))
    if not fields.get("title"):
        fields["title"], body = _title_of(body)
    return {**fields, "body": body.strip("\n")}, problems


def _said(value: Any) -> Any:
    if isinstance(value, tuple):
        return list(value)
    if isinstance(value, time):
        return value.strftime("%H:%M")
    return value


def written(fields: PageFields, parent: str | None) -> str:
    """A page as a file; ``parent`` is the address of the page above it."""
    head: dict[str, Any] = {"title": fields.title, "path": fields.path}
    for name, value in fields.model_dump(exclude={"title", "path", "body", "parent", "schedule"}).items():
        if value != PageFields.model_fields[name].default and value is not None:
            head[name] = _said(value)
    if parent is not None:
        head["parent"] = parent
    if fields.schedule is not None:
        head["schedule"] = fields.schedule.model_dump(mode="json", exclude_defaults=True)
    text = yaml.dump(head, Dumper=_DUMPER, sort_keys=False, allow_unicode=True, width=120)
    return f"---\n{text}---\n\n{fields.body}\n"
