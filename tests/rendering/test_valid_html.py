"""Every page of the demo, held against a validator that had no part in making it (html-validate)."""

import json
import subprocess
from pathlib import Path

from hestor.core.facts import document
from hestor.rendering import Preview, Renderer
from hestor.rendering.renderer import unpublished
from hestor.sites.models import Revision, Site
from hestor.sites.selectors.states import draft_of
from tests.conftest import NOW
from tests.support.hostile import HOSTILE
from tests.support.sampling import LONG

# All that may stand around a page, and as little of it as there may be.
FRAMED = {
    "site_notice": {"text": "Closed on {date:2026-12-24} & <later>"},
    "side_text": "## Open?\n\n{open}\n\n- [Home](/)\n\nWrite to {contact}.",
    "cookie_notice": {"title": "May we?", "text": "Count <you> & others"},
    "added_code": {"code": "<!-- count --><script>window.counted = 1 < 2 && '<p>'</script><meta name=a content=b>"},
    "header_arrangement": "centred",
    "menu_fold": 640,
    "content_width": "wide",
    "keywords": "seed, garden",
}
PLAIN = {"header_parts": [], "shows_trail": False, "added_code": {"code": "<link rel=me href='https://x.example/'>"}}
FRONTEND = Path(__file__).parents[2] / "frontend"
RULES = {
    "extends": ["html-validate:standard", "html-validate:a11y"],
    # Spelling of a void element and of white space is taste, not validity.
    "rules": {"no-trailing-whitespace": "off", "void-style": "off", "no-inline-style": "error", "long-title": "off"},
}


def _of_each_kind(site: Site) -> list[str]:
    """A page of each kind: what stands around their texts differs by nothing else."""
    return [*dict(Revision.objects.in_draft_of(site).values_list("kind", "path")).values()]


def test_every_page_of_the_demo_is_valid(demo_sites, tmp_path):
    for site in demo_sites.values():
        own = site.facts
        whole = Renderer(draft_of(site), NOW).paths() if LONG else _of_each_kind(site)
        for kind, facts, paths in (
            ("own", own, whole),
            ("hostile", own.model_copy(update=_hostile()), whole),
            ("framed", document.changed(own, FRAMED), _of_each_kind(site)),
            ("plain", document.changed(own, PLAIN), _of_each_kind(site)),
        ):
            renderer = Renderer(draft_of(site, facts), NOW)
            for number, path in enumerate([*paths, "/nowhere/"]):
                (tmp_path / f"{site.slug}-{kind}-{number}.html").write_bytes(renderer.respond(path).body)
        preview = Renderer(draft_of(site), NOW, Preview("/_preview/x")).respond("/")
        (tmp_path / f"{site.slug}-preview.html").write_bytes(preview.body)
    (tmp_path / "unpublished.html").write_bytes(unpublished("ar").body)
    config = tmp_path / "config.json"
    config.write_text(json.dumps(RULES))
    assert len(list(tmp_path.glob("*.html"))) > (80 if LONG else 60)
    run = subprocess.run(
        ["node_modules/.bin/html-validate", "--config", config, f"{tmp_path}/*.html"],
        cwd=FRONTEND,
        capture_output=True,
        text=True,
        check=False,
    )
    assert run.returncode == 0, run.stdout[-4000:]


def _hostile() -> dict[str, str]:
    words = " ".join(HOSTILE)
    return {"name": words[:120].strip(), "tagline": words[120:280].strip(), "description": words[:320].strip()}
