"""A labelled set for the sweep: sites in five languages with strays sown into them, and with what only looks like one.

``⟦`` and ``⟧`` stand around each stray in the texts (``tests/sweep/labelled``); they are taken out before a page is read.
"""

from collections import Counter, defaultdict
from collections.abc import Iterator
from dataclasses import dataclass, field
from datetime import date
from itertools import zip_longest
from pathlib import Path

import yaml

from hestor.core.sweep.files import Files
from hestor.core.sweep.folder import sweep
from hestor.core.sweep.stray import Stray
from hestor.core.sweep.style import read

FOLDER = Path(__file__).parents[1] / "sweep" / "labelled"
LANGUAGES = ("en", "de", "es", "fr", "ar")
OPEN, CLOSE = "⟦", "⟧"
TODAY = date(2026, 5, 3)
_DAYS = {
    "mon": "Monday", "tue": "Tuesday", "wed": "Wednesday", "thu": "Thursday", "fri": "Friday", "sat": "Saturday",
    "sun": "Sunday",
}  # fmt: skip
_CSS = "body{color:#222;background:#fff}.faint{color:#bbb}.dark{background:#123;color:#fff}.soft{color:#555}"
_PNG = b"\x89PNG\r\n\x1a\n"


@dataclass(frozen=True)
class Label:
    """A stray that was sown: its kind and where it stands; a spot of None is anywhere on the page."""

    kind: str
    page: str
    spot: tuple[int, int] | None


@dataclass
class Sown:
    """A site with its labels; ``harmless`` counts what was sown that only looks like a stray, by kind."""

    language: str
    said: dict
    files: dict[str, bytes] = field(default_factory=dict)
    labels: list[Label] = field(default_factory=list)
    harmless: Counter = field(default_factory=Counter)

    @property
    def facts(self) -> dict:
        return self.said["facts"]

    @property
    def name(self) -> str:
        return self.facts["name"]

    def style(self) -> dict:
        week = {
            day: [{"opens": span[0], "closes": span[1]}] for day, span in self.said["opening_hours"].items() if span
        }
        facts = {**self.facts, "logo": "img/logo.png", "icon": "img/icon.png", "opening_hours": {"week": week}}
        return {"hestor": 1, "facts": facts, "former": {**self.said["former"], "logo": ["img/sign-2012.png"]}}

    def page(self, path: str, body: str, kinds: tuple[str, ...] = (), **more: str) -> None:
        """Adds a page; the marks in it, in their order, are labels of ``kinds``."""
        html = self._html(path, body, **more)
        at = 0
        for kind in kinds:
            start = html.index(OPEN, at)
            html = html[:start] + html[start + 1 :]
            end = html.index(CLOSE, start)
            html = html[:end] + html[end + 1 :]
            self.labels.append(Label(kind, path, (start, end)))
            at = end
        assert OPEN not in html, path
        assert CLOSE not in html, path
        self.files[path] = html.encode()

    def whole_page(self, path: str, kind: str, **more: str) -> None:
        """Adds a page that is amiss as a whole in one way; with an empty kind, one that only looks it."""
        self.page(path, self._lead(), **more)
        if kind:
            self.labels.append(Label(kind, path, None))

    def _lead(self) -> str:
        return "".join(f"<p>{said}</p>" for said in self.said["lead"])

    def _html(
        self, path: str, body: str, *, title: str = "", lang: str | None = None, head: str = "", icon: str = "img/icon.png",
        logo: str = "img/logo.png", footer: str = "", parts: str = "header menu footer", short: str = "",
    ) -> str:  # fmt: skip
        said = self.said
        declared = self.facts["language"] if lang is None else lang
        attribute = f' lang="{declared}"' if declared else ""
        menu = "".join(f'<li><a href="{n}.html">{word}</a></li>' for n, word in enumerate(said["menu"]))
        first = f'<header><a href="index.html"><img src="{logo}" alt="{self.name}"></a>' if "header" in parts else ""
        nav = f"<nav><ul>{menu}</ul></nav>" if "menu" in parts else ""
        last = (
            f'<footer><p>{said["hours_line"]}</p><p><a href="mailto:{self.facts["contact_email"]}">'
            f"{self.facts['contact_email']}</a></p><p>{footer or f'© 2026 {self.name}'}</p></footer>"
        )
        title = (
            title or f"{said['title']['page']} {path.removesuffix('.html').replace('starter-text', 's')} – {self.name}"
        )
        return (
            f"<!doctype html>\n<html{attribute}>\n<head><meta charset=utf-8><title>{title}</title>\n"
            f'<link rel="icon" href="{icon}"><link rel="stylesheet" href="site.css">\n'
            f'<meta name="description" content="{said["lead"][0][:120]}">\n'
            f'<meta name="application-name" content="{short or self.facts["short_name"]}">{head}</head>\n'
            f"<body>\n{first}{'</header>' if first else ''}{nav}\n<main><h1>{said['title']['page']}</h1>\n{body}\n</main>\n"
            f"{last if 'footer' in parts else ''}\n</body>\n</html>\n"
        )


def sites() -> Iterator[Sown]:
    """All sites of the set, two in each language."""
    for language in LANGUAGES:
        for name in (language, f"{language}-2"):
            yield _site(Sown(language, yaml.safe_load((FOLDER / f"{name}.yaml").read_text())))


def _site(site: Sown) -> Sown:
    pictures = ("logo", "icon", "sign-2012", "other", "door", "hands", "logo-small")
    site.files |= {f"img/{name}.png": _PNG + name.encode() for name in pictures}
    site.files["img/logo-copy.png"] = site.files["img/logo.png"]
    site.files["img/icon-copy.png"] = site.files["img/icon.png"]
    site.files["site.css"] = _CSS.encode()
    site.page("index.html", site._lead(), title=site.name)
    for number in range(len(site.said["menu"])):
        site.page(f"{number}.html", f"<p>{site.said['lead'][number % 2]}</p>")
    _texts(site)
    _heads(site)
    _bodies(site)
    return site


def _texts(site: Sown) -> None:
    """Pages of two snippets each, a stray and what looks like one."""
    for kind, said in site.said["text"].items():
        strays = [*said["strays"]]
        site.harmless[kind] += len(said["harmless"])
        for number, (stray, harmless) in enumerate(zip_longest(strays, said["harmless"])):
            parts = [one if one.startswith("<p") or one.startswith("<h") or one.startswith("<b") else f"<p>{one}</p>"
                     for one in (stray, harmless) if one]  # fmt: skip
            kinds = (kind,) if stray else ()
            site.page(f"{kind.replace('_', '-')}-{number}.html", site._lead() + "\n".join(parts), kinds)


def _heads(site: Sown) -> None:
    title, name = site.said["title"], site.name
    for number, said in enumerate(title["empty"]):
        site.whole_page(f"empty-{number}.html", "title_empty", title=said)
    for number, said in enumerate(title["harmless"]):
        site.whole_page(f"full-{number}.html", "", title=f"{said} – {name}")
    for number, said in enumerate(title["repeats"]):
        site.whole_page(f"repeats-{number}.html", "title_repeats_name", title=said)
    for number, said in enumerate(title["long"]):
        site.whole_page(f"long-{number}.html", "title_long", title=said)
    for number, said in enumerate(title["short_enough"]):
        site.whole_page(f"short-{number}.html", "", title=said)
    site.harmless["title_empty"] += len(title["harmless"])
    site.harmless["title_long"] += len(title["short_enough"])
    site.harmless["title_repeats_name"] += 1 + len(title["short_enough"])
    for pair in range(2):
        for one in "ab":
            site.whole_page(f"twin-{pair}-{one}.html", "title_twin", title=f"{title['page']} {pair + 13} – {name}")
    canonical = '<link rel="canonical" href="twin-2-a.html">'
    for one, head in (("a", ""), ("b", canonical)):
        site.whole_page(f"twin-2-{one}.html", "", title=f"{title['page']} 7 – {name}", head=head)
    leads_on = '<meta http-equiv="refresh" content="0; url=0.html">'
    site.whole_page("moved.html", "", title=f"{title['page']} 7 – {name}", head=leads_on)
    site.harmless["title_twin"] += 2
    site.whole_page("no-lang.html", "lang_missing", lang="")
    site.page("no-lang-too.html", f"<p>{site.said['lead'][1]}</p>", lang="")
    site.labels.append(Label("lang_missing", "no-lang-too.html", None))
    for number, said in enumerate(site.said["lang"]["wrong"]):
        site.whole_page(f"lang-{number}.html", "lang_wrong", lang=said)
    for number, said in enumerate(site.said["lang"]["harmless"]):
        site.whole_page(f"lang-right-{number}.html", "", lang=said)
    site.harmless["lang_wrong"] += len(site.said["lang"]["harmless"])
    site.harmless["lang_missing"] += 2
    for number, said in enumerate(site.said["short_name"]["strays"]):
        site.whole_page(f"called-{number}.html", "short_name", short=said)
    for number, said in enumerate(site.said["short_name"]["harmless"]):
        site.whole_page(f"called-right-{number}.html", "", short=said)
    site.harmless["short_name"] += len(site.said["short_name"]["harmless"])


def _bodies(site: Sown) -> None:
    for number, said in enumerate(site.said["footer"]["strays"]):
        site.page(f"year-{number}.html", site._lead(), ("past_year",), footer=said)
    for number, said in enumerate(site.said["footer"]["harmless"]):
        site.page(f"year-right-{number}.html", site._lead(), footer=said)
    site.harmless["past_year"] += len(site.said["footer"]["harmless"])
    site.whole_page("icon-0.html", "old_icon", icon="img/other.png")
    site.whole_page("icon-1.html", "old_icon", icon="/img/other.png?v=2")
    for number, icon in enumerate(("img/icon.png?v=3", "/img/icon.png", "img/icon-copy.png")):
        site.whole_page(f"icon-right-{number}.html", "", icon=icon)
    site.harmless["old_icon"] += 3
    site.whole_page("logo-0.html", "old_logo", logo="img/other.png")
    site.page("logo-1.html", f'<p>⟦<img src="img/sign-2012.png" alt="{site.name}">⟧</p>', ("old_logo",))
    for number, logo in enumerate(("img/logo-small.png", "./img/logo.png", "img/logo-copy.png")):
        site.whole_page(f"logo-right-{number}.html", "", logo=logo)
    site.harmless["old_logo"] += 3
    for part in ("footer", "menu"):
        kept = " ".join(one for one in ("header", "menu", "footer") if one != part)
        site.whole_page(f"without-{part}.html", "opted_out", parts=kept)
    site.harmless["opted_out"] += 2
    _snippets(site, "alt_missing", _ALT)
    _snippets(site, "link_broken", _LINKS)
    _snippets(site, "contrast", _COLOURS)


_ALT = (
    ('⟦<img src="img/door.png">⟧', '⟦<img src="img/hands.png" alt="IMG_2031.jpg">⟧', '<a href="0.html">⟦<img src="img/door.png" alt="">⟧</a>',
     '⟦<svg role="img">⟧<path d="M0 0h9"/></svg>', '⟦<img src="img/door.png" alt="image">⟧'),
    ('<img src="img/door.png" alt="">', '<img src="img/door.png" role="presentation">', '<img src="img/door.png" aria-label="{w}">',
     '<a href="0.html"><img src="img/door.png" alt="">{w}</a>', '<span aria-hidden="true"><img src="img/hands.png"></span>', '<svg role="img"><title>{w}</title><path d="M0 0h9"/></svg>', '<svg><path d="M0 0h9"/></svg>'),
)  # fmt: skip
_LINKS = (
    ('<a href="⟦nowhere.html⟧">{w}</a>', '<img src="⟦img/lost.png⟧" alt="{w}">', '<a href="0.html#⟦lost⟧">{w}</a>', '<a href="⟦Index.html⟧">{w}</a>', '<img srcset="img/door.png 1x, ⟦img/door@2x.png⟧ 2x" src="img/door.png" alt="{w}">'),
    ('<a href="https://elsewhere.example/x.html">{w}</a>', '<a href="#">{w}</a>', '<a href="tel:+441">{w}</a>', '<a href="./">{w}</a>',
     '<a href="0.html?from=here">{w}</a>', '<h2 id="part">{w}</h2><a href="#part">{w}</a>', '<a href="/index.html">{w}</a>', '<img srcset="img/door.png 320w, img/hands.png 640w" src="img/door.png" alt="{w}">'),
)  # fmt: skip
_COLOURS = (
    ('⟦<p style="color:#aaa">⟧{w}</p>', '⟦<p class="faint">⟧{w}</p>', '⟦<div style="background:#ffe;color:#cc9">⟧{w}</div>', '⟦<span style="color: rgb(200, 200, 200)">⟧{w}</span>',
     '⟦<font color="#cccccc">⟧{w}</font>', '⟦<p style="color:hsl(0 0% 75%)">⟧{w}</p>', '⟦<p style="opacity:.3">⟧{w}</p>'),
    ('<p style="color:#555">{w}</p>', '<div class="dark"><p>{w}</p></div>', '<p class="soft">{w}</p>', '<h2 style="color:#888;font-size:32px">{w}</h2>',
     '<div style="background:#000"><p style="color:#ccc">{w}</p></div>', '<p style="color:#ddd;background-image:url(img/door.png)">{w}</p>', '<font color="#333333">{w}</font>', '<p style="opacity:0.9">{w}</p>'),
)  # fmt: skip


def _snippets(site: Sown, kind: str, listed: tuple[tuple[str, ...], tuple[str, ...]]) -> None:
    word = site.said["title"]["page"]
    for number, (stray, harmless) in enumerate(zip_longest(*listed)):
        body = "\n".join(one.replace("{w}", word) for one in (stray, harmless) if one)
        # An address is one spot, wherever in it the mark is.
        site.page(f"{kind.replace('_', '-')}-{number}.html", body, (kind,) if stray else ())
    site.harmless[kind] += len(listed[1])


@dataclass
class Score:
    """How a kind was found: rightly, wrongly, not at all; with the spots that were wrong or not found."""

    right: int = 0
    wrong: list[Stray] = field(default_factory=list)
    missed: list[Label] = field(default_factory=list)

    @property
    def recall(self) -> float:
        sown = self.right + len(self.missed)
        return self.right / sown if sown else 1.0

    @property
    def precision(self) -> float:
        said = self.right + len(self.wrong)
        return self.right / said if said else 1.0


def _fits(label: Label, stray: Stray) -> bool:
    if (label.kind, label.page) != (stray.kind, stray.page):
        return False
    return label.spot is None or (stray.start < label.spot[1] and label.spot[0] < stray.end)


def strays_of(site: Sown) -> tuple[Stray, ...]:
    """What the sweep finds on a site of the set, held to its style."""
    files = Files(tuple(site.files), site.files.__getitem__)
    return sweep(files, read(site.style()).style, TODAY).strays


def scores(given: Iterator[Sown]) -> dict[str, Score]:
    """How each kind was found over some sites."""
    found: dict[str, Score] = defaultdict(Score)
    for site in given:
        strays = strays_of(site)
        for label in site.labels:
            if any(_fits(label, one) for one in strays):
                found[label.kind].right += 1
            else:
                found[label.kind].missed.append(label)
        for stray in strays:
            if not any(_fits(label, stray) for label in site.labels):
                found[stray.kind].wrong.append(stray)
    return found
