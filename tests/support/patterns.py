"""Every regular expression of the code, with how it is used, and texts over which a careless one backtracks.

They are collected from the code itself: what modules hold, and what functions say on the spot. One that is put together
while the code runs can't be seen so; ``COMPOSED`` names each with an example, and the test fails for any other.
"""

import ast
import importlib
import re
import signal
import time
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, fields, is_dataclass
from pathlib import Path
from re import _parser  # what the standard library itself reads patterns with

import regex

from hestor.core.reading import tokens
from hestor.core.sweep import names, own, written_dates, written_hours
from hestor.core.text import lines, links
from hestor.rendering import message

ROOT = Path(__file__).parents[2]
NAMES = ("The Old Bakehouse", "Łąka i ul")
COMPOSED: dict[str, list[re.Pattern]] = {
    "hestor.core.reading.tokens:end_tag": [tokens.end_tag("title")],
    "hestor.core.sweep.names:_any_of": [names._any_of(frozenset(("bak", "łąk")))],
    "hestor.core.sweep.names:_known": [names._known(NAMES)],
    "hestor.core.sweep.own:in_lines": [own.in_lines("The Old Bakehouse")],
    # What these make stands in their modules.
    "hestor.core.sweep.phrases:_any_of": [],
    "hestor.core.sweep.starters:_either": [],
    "hestor.core.sweep.written_dates:_textual": [written_dates._textual(tag)[0] for tag in ("en", "de", "es", "ar")],
    "hestor.core.sweep.written_dates:_weekday": [written_dates._weekday("en"), written_dates._weekday("ar")],
    "hestor.core.sweep.written_hours:_statement": [written_hours._statement(tag)[0] for tag in ("en", "de", "ar")],
    "hestor.core.sweep.written_hours:_days": [],
    "hestor.core.text.lines:_in_any_case": [lines._in_any_case(name) for name in NAMES],
    "hestor.core.text.links:link_to": [links.link_to("/growing/beans/")],
    "hestor.rendering.message:fill_in": [message.fill_in(("site", "address"))],
}
METHODS = ("match", "fullmatch", "search", "sub", "subn", "split", "findall", "finditer")
KINDS = (re.Pattern, regex.Pattern)


@dataclass(frozen=True)
class Found:
    """A pattern, where it stands, and by which methods it is asked."""

    where: str
    pattern: re.Pattern
    methods: frozenset[str]

    @property
    def begins(self) -> bool:
        """Whether it is only tried where a text begins."""
        return bool(self.methods) and self.methods <= {"match", "fullmatch"}


def modules() -> Iterator[tuple[str, Path]]:
    for path in sorted((ROOT / "hestor").rglob("*.py")):
        name = ".".join(path.relative_to(ROOT).with_suffix("").parts).removesuffix(".__init__")
        if not {"migrations", "dist"} & set(path.parts) and not name.endswith("__main__"):
            yield name, path


def _within(value: object, depth: int = 0) -> Iterator[re.Pattern]:
    """The patterns in a value, however it holds them."""
    if isinstance(value, KINDS):
        yield value
    elif depth < 4 and isinstance(value, dict):
        yield from (one for inner in (*value, *value.values()) for one in _within(inner, depth + 1))
    elif depth < 4 and isinstance(value, (list, tuple, set, frozenset)):
        yield from (one for inner in value for one in _within(inner, depth + 1))
    elif depth < 4 and is_dataclass(value) and not isinstance(value, type):
        yield from (one for each in fields(value) for one in _within(getattr(value, each.name), depth + 1))


def _uses(tree: ast.AST) -> dict[str, set[str]]:
    """By name of what holds a pattern, the methods that are asked of it."""
    found: dict[str, set[str]] = {}
    for node in ast.walk(tree):
        if isinstance(node, ast.Attribute) and node.attr in METHODS:
            holder = node.value
            name = holder.id if isinstance(holder, ast.Name) else getattr(holder, "attr", "")
            found.setdefault(name, set()).add(node.attr)
    return found


def _flags(node: ast.Call, module: object) -> int:
    given = [one.value for one in node.keywords if one.arg == "flags"] or node.args[_FLAGS_AT.get(node.func.attr, 2) :]
    return eval(compile(ast.Expression(given[0]), "flags", "eval"), vars(module)) if given else 0


_FLAGS_AT = {"compile": 1, "match": 2, "fullmatch": 2, "search": 2, "findall": 2, "finditer": 2, "sub": 4, "split": 3}


def _on_the_spot(name: str, tree: ast.Module, module: object) -> Iterator[tuple[str, re.Pattern | None, str]]:
    """Patterns that functions say themselves; None for one that is put together while they run."""
    for function in (one for one in ast.walk(tree) if isinstance(one, (ast.FunctionDef, ast.Lambda))):
        for node in ast.walk(function):
            if not (isinstance(node, ast.Call) and isinstance(node.func, ast.Attribute)):
                continue
            of = node.func.value
            if not (isinstance(of, ast.Name) and of.id in ("re", "regex") and node.func.attr in ("compile", *METHODS)):
                continue
            where = f"{name}:{getattr(function, 'name', 'lambda')}"
            said = node.args[0]
            if isinstance(said, ast.Constant):
                library = re if of.id == "re" else regex
                yield where, library.compile(said.value, _flags(node, module)), node.func.attr
            elif not (isinstance(said, ast.Name) and isinstance(getattr(module, said.id, None), (str, bytes))):
                yield where, None, node.func.attr
            else:
                yield where, re.compile(getattr(module, said.id), _flags(node, module)), node.func.attr


def collected() -> tuple[list[Found], set[str]]:
    """All patterns, and where one is put together while the code runs."""
    trees = {name: ast.parse(path.read_text()) for name, path in modules()}
    uses = {name: _uses(tree) for name, tree in trees.items()}
    found: dict[tuple[object, int], Found] = {}
    composed: set[str] = set()

    def keep(where: str, pattern: re.Pattern, methods: set[str]) -> None:
        key = (pattern.pattern, pattern.flags)
        before = found.get(key)
        both = before.methods | methods if before else methods
        found[key] = Found(before.where if before else where, pattern, frozenset(both))

    for name, tree in trees.items():
        module = importlib.import_module(name)
        for held, value in vars(module).items():
            for pattern in _within(value):
                everywhere = uses.values() if not held.startswith("_") else (uses[name],)
                keep(f"{name}.{held}", pattern, {one for each in everywhere for one in each.get(held, ())})
        for where, pattern, method in _on_the_spot(name, tree, module):
            if pattern is None:
                composed.add(where)
            else:
                keep(where, pattern, {method} - {"compile"})
    for where, examples in COMPOSED.items():
        for pattern in examples:
            keep(where, pattern, {"search"})
    return list(found.values()), composed


def _literals(pattern: re.Pattern) -> Iterator[str]:
    """Characters that a pattern speaks of."""
    text = pattern.pattern if isinstance(pattern.pattern, str) else pattern.pattern.decode("latin-1")
    try:
        stack = [_parser.parse(text, pattern.flags & re.VERBOSE)]
    except (re.error, ValueError):
        yield from (letter for letter in text if not letter.isalnum())
        return
    while stack:
        part = stack.pop()
        if isinstance(part, (tuple, list, _parser.SubPattern)):
            items = list(part)
            if len(items) == 2 and str(items[0]) == "LITERAL":
                yield chr(items[1])
            stack.extend(one for one in items if isinstance(one, (tuple, list, _parser.SubPattern)))


_USUAL = ("a", " ", "0", "<", "\n", "A", ".", "é")
_WORDS = ("a ", "a.", "a@", "0.", "<a ", "<!--", "-->", '="', "[](", "{}", "0 ", "\n ")
_NEVER = "\u0001"


def _of_class(items: list) -> str:
    """One character of a class."""
    for kind, value in ((str(one[0]), one[1]) for one in items):
        if kind == "LITERAL":
            return chr(value)
        if kind == "RANGE":
            return chr(value[0])
        if kind == "CATEGORY":
            return {"CATEGORY_DIGIT": "0", "CATEGORY_SPACE": " ", "CATEGORY_WORD": "a"}.get(str(value), "-")
    return "a"


def _example(part: object, begun: str, heads: list[tuple[str, str]], which: int = 0) -> str:
    """A short text that a part of a pattern may stand for, by the how manyth (``which``) of its alternatives.

    ``heads`` gathers, for each repetition, what stands before it and what is repeated.
    """
    made = ""
    for kind, value in ((str(one[0]), one[1]) for one in part):
        here = begun + made
        if kind == "LITERAL":
            made += chr(value)
        elif kind == "IN":
            made += _of_class(value)
        elif kind in ("ANY", "NOT_LITERAL"):
            made += "a"
        elif kind == "BRANCH":
            made += _example(value[1][min(which, len(value[1]) - 1)], here, heads, which)
        elif kind in ("SUBPATTERN", "ATOMIC_GROUP"):
            made += _example(value[-1] if kind == "SUBPATTERN" else value, here, heads, which)
        elif kind.endswith("REPEAT"):
            each = [_example(value[2], here, heads, one) for one in range(4)]
            if int(value[1]) > 8:
                heads += [(here, one) for one in dict.fromkeys(each)]
            made += each[0] * max(1, min(int(value[0]), 4))
    return made


def _heads(pattern: re.Pattern) -> list[tuple[str, str]]:
    """What a text may begin with so that a repetition within the pattern comes to its turn, and what is repeated."""
    if not isinstance(pattern, re.Pattern):
        return []
    found: list[tuple[str, str]] = []
    as_text = isinstance(pattern.pattern, str)
    _example(_parser.parse(pattern.pattern, pattern.flags & (re.VERBOSE if as_text else 0)), "", found)
    return list(dict.fromkeys(found))


def hostile(pattern: re.Pattern) -> list[str]:
    """Short texts to be repeated: what the pattern speaks of, alone and in pairs."""
    own = list(dict.fromkeys(_literals(pattern)))
    pairs = [a + b for a in own[:5] for b in (*own[:5], "a", " ") if a != b]
    return list(dict.fromkeys((*own[:14], *_USUAL, *pairs, *_WORDS)))


def texts(found: Found, size: int) -> Iterator[str | bytes]:
    """Texts of a size over which the pattern may be led astray: repeated, begun and not ended."""
    atoms = hostile(found.pattern)
    repeated = [one for one in _heads(found.pattern) if one[1]]
    befores = list(dict.fromkeys(head for head, _ in repeated))[:6]
    heads = [*repeated[:20], *((head, atom) for head in befores for atom in atoms[:22])]
    for before, atom in (*((("", one)) for one in atoms), *heads):
        text = before + atom * (size // len(atom)) + _NEVER
        yield text if isinstance(found.pattern.pattern, str) else text.encode("latin-1", "replace")


class TooSlow(Exception):
    """A pattern took more than it may."""


def _stop(*_: object) -> None:
    raise TooSlow


@contextmanager
def _at_most(seconds: float) -> Iterator[None]:
    """Raises TooSlow for what took more of the processor. The standard library's patterns are ended by a signal."""
    before = signal.signal(signal.SIGVTALRM, _stop)
    begun = time.process_time()
    signal.setitimer(signal.ITIMER_VIRTUAL, seconds)
    try:
        yield
    except TimeoutError as error:
        raise TooSlow from error
    finally:
        signal.setitimer(signal.ITIMER_VIRTUAL, 0)
        signal.signal(signal.SIGVTALRM, before)
    if time.process_time() - begun > seconds:
        raise TooSlow


# Those of ``regex`` hear no signal; they end themselves.
_HANGS = {"timeout": 5.0}


def run(found: Found, text: str | bytes, most: float) -> None:
    """Asks a pattern about a text, all of it, as the code does. Raises TooSlow after ``most`` seconds."""
    limited = {} if isinstance(found.pattern, re.Pattern) else _HANGS
    with _at_most(most):
        if found.begins:
            asked = found.pattern.fullmatch if found.methods == {"fullmatch"} else found.pattern.match
            asked(text, **limited)
        else:
            for _ in found.pattern.finditer(text, **limited):
                pass
