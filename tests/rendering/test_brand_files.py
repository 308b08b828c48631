"""The marks of an edition: their addresses, their files, and how pages show them."""

from datetime import UTC, datetime

import pytest

from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.messages.kinds import KINDS
from hestor.core.reading.files import read_manifest
from hestor.core.reading.page import PageReading
from hestor.rendering import Preview, Renderer, render
from hestor.rendering.brand_files import BrandFiles, media_type
from tests.support.hostile import HOSTILE
from tests.support.memory import MemoryState, page, small
from tests.support.pictures import master_of, noise, opened, svg_master, wordmark

NOW = datetime(2026, 11, 24, 12, tzinfo=UTC)
LOGO, PHOTO, DRAWN = "a" * 32, "b" * 32, "c" * 32
MASTERS = {
    LOGO: master_of(wordmark()),
    PHOTO: master_of(noise(900, 700), "JPEG"),
    DRAWN: svg_master('<circle cx="50" cy="50" r="40" fill="#1f6b57"/>'),
}
BASE = Facts(name="Seed Library", tagline="Borrow")

ENQUIRY = KINDS["enquiry"]
SAID = dict.fromkeys(ENQUIRY.names, "…")


def edition(**values: object) -> MemoryState:
    made = small(document.changed(BASE, values))
    made.masters = MASTERS
    return made


def says(path: str = "/", **values: object) -> PageReading:
    renderer = Renderer(edition(**values), NOW)
    return PageReading(renderer.respond(path).body, renderer.style)


def file(address: str, **values: object):
    answer = render(edition(**values), address.removeprefix("https://seeds.example"), NOW)
    assert (answer.status, answer.immutable) == (200, True), address
    return answer


def test_every_file_that_a_page_names_is_there():
    values = {"logo": LOGO, "logo_dark": {"picture": LOGO, "recolour": "#f4f2ee"}, "icon": {"source": "logo"}}
    page = says("/about/", **values)
    assert opened(file(page.logo.src, **values).body).size == (page.logo.width * 2, 95)
    assert opened(file(page.logo_dark.src, **values).body).convert("RGBA").getpixel((40, 40))[:3] == (0xF4, 0xF2, 0xEE)
    assert opened(file(page.share.src, **values).body).size == (1200, 630)
    assert opened(file(f"{page.tab_icon.rpartition('/')[0]}/icon-180.png", **values).body).size == (180, 180)
    assert opened(file(page.tab_icon, **values).body).size == (32, 32)
    manifest = read_manifest(render(edition(**values), "/site.webmanifest", NOW).body)
    for address in (manifest.icon, manifest.maskable):
        assert opened(file(address, **values).body).size == (512, 512)


def test_the_favicon_is_at_its_usual_address_too():
    answer = render(edition(), "/favicon.ico", NOW)
    assert (answer.status, answer.media_type, answer.immutable) == (200, "image/vnd.microsoft.icon", False)
    assert opened(answer.body).format == "ICO"


def test_without_a_logo_the_icon_and_the_name_stand_in_its_place():
    page = says()
    assert page.logo is None
    assert (page.site_name, page.name_is_seen) == ("Seed Library", True)
    assert page.header_icon.src.endswith("icon.svg")


def test_a_logo_that_says_the_name_hides_the_text_but_not_from_listeners():
    shown = says(logo=LOGO)
    assert (shown.name_is_seen, shown.logo.alt) == (True, "Seed Library")
    # Read out once: the text beside the picture is passed over.
    assert 'aria-hidden="true">Seed Library' in render(edition(logo=LOGO), "/", NOW).body.decode()
    hidden = says(logo=LOGO, logo_says_name=True)
    assert (hidden.name_is_seen, hidden.site_name, hidden.tagline) == (False, "Seed Library", "Borrow")
    described = says(logo={"picture": LOGO, "description": "A ring and bars"}, logo_says_name=True)
    assert (described.name_is_seen, described.logo.alt) == (False, "A ring and bars")
    assert described.css_first(".site-name").text() == "Seed Library"
    assert hidden.title == shown.title


def test_width_plates_and_the_home_link():
    page = says(logo=LOGO, logo_width=200, logo_plate="dark")
    assert (page.logo.width, page.logo.height, page.logo_plates) == (200, 50, "dark")
    assert page.css_first("a.home").attributes["href"] == "/"
    assert says(logo=LOGO).logo.width == 190
    assert says(logo=DRAWN).logo.width == 72


def test_addresses_change_with_what_they_show_and_only_then():
    def addresses(**values: object) -> tuple[str, ...]:
        page = says(**values)
        return page.tab_icon, page.logo.src if page.logo else "", page.share.src

    before = addresses(logo=LOGO)
    assert addresses(logo=LOGO, footer_text="other") == before
    icon, logo, share = addresses(logo=LOGO, name="Other")
    assert (icon != before[0], logo != before[1], share != before[2]) == (True, False, True)
    icon, logo, share = addresses(logo={"picture": LOGO, "trim": [0, 0, 0.5, 1]})
    assert (icon != before[0], logo != before[1], share != before[2]) == (False, True, True)
    assert addresses(logo=LOGO, logo_width=99)[1] != before[1]


def test_files_of_other_marks_are_not_made():
    marks = BrandFiles(BASE, MASTERS.get)
    other = BrandFiles(BASE.model_copy(update={"name": "Other"}), MASTERS.get)
    assert marks.make(f"{other.icon_folder}icon-32.png") is None
    assert marks.make(f"{marks.icon_folder}icon-33.png") is None
    assert marks.make("/_hestor/pic-" + "d" * 32) is None
    assert marks.make(f"/_hestor/pic-{PHOTO}/481.webp") is None
    assert marks.make(f"/_hestor/pic-{PHOTO}/480.png") is None
    assert media_type("../settings.py") is None


def test_a_picture_that_is_lost_leaves_the_page_whole():
    facts = document.changed(
        BASE, {"logo": "e" * 32, "icon": {"source": "picture", "picture": "e" * 32, "crop": [0, 0, 1, 1]}}
    )
    made = small(facts)
    page = PageReading(render(made, "/", NOW).body)
    assert (page.logo, page.name_is_seen) == (None, True)
    assert render(made, page.tab_icon, NOW).status == 200


def test_pictures_in_texts_come_in_widths_and_stand_for_their_page():
    made = edition()
    made.pages.append(
        page("/beans/", "Beans", f'![Beans & "peas"](/_hestor/pic-{PHOTO})\n\n![x](/_hestor/pic-{"d" * 32})')
    )
    body = render(made, "/beans/", NOW).body.decode()
    read = PageReading(body.encode())
    image = read.css_first(".prose img")
    assert image.attributes["alt"] == 'Beans & "peas"'
    own = MASTERS[PHOTO].width, MASTERS[PHOTO].height
    assert (int(image.attributes["width"]), int(image.attributes["height"])) == own
    assert opened(render(made, image.attributes["src"], NOW).body).size == own
    types = [node.attributes["type"] for node in read.css(".prose source")]
    assert types == ["image/avif", "image/webp"]
    for node in read.css(".prose source"):
        for piece in node.attributes["srcset"].split(", "):
            address, width = piece.split()
            answer = render(made, address, NOW)
            assert answer.media_type == node.attributes["type"]
            assert f"{opened(answer.body).width}w" == width
    assert "d" * 32 not in body
    assert read.share.src != says("/about/").share.src
    assert opened(render(made, read.share.src.removeprefix("https://seeds.example"), NOW).body).size == (1200, 630)


def test_a_drawing_in_a_text_stays_a_drawing():
    made = edition()
    made.pages.append(page("/d/", "D", f"![D](/_hestor/pic-{DRAWN})"))
    src = PageReading(render(made, "/d/", NOW).body).css_first(".prose img").attributes["src"]
    assert render(made, src, NOW).media_type == "image/svg+xml"


def test_a_look_has_its_own_addresses():
    made = edition(logo=LOGO)
    page = PageReading(render(made, "/", NOW, Preview("/_preview/t", 2)).body)
    for src in (page.logo.src, page.tab_icon):
        assert src.startswith("/_preview/t/_hestor/")
        assert render(made, src.removeprefix("/_preview/t"), NOW, Preview("/_preview/t", 2)).status == 200
    assert page.share.src.startswith("https://seeds.example/_hestor/")


@pytest.mark.parametrize("words", ['"><script>', "{{ 7*7 }}", "a'b&c"])
def test_descriptions_are_text(words):
    page = says(logo={"picture": LOGO, "description": words}, share_picture={"picture": PHOTO, "description": words})
    assert (page.logo.alt, page.share.alt) == (words, words)


@pytest.mark.parametrize("words", HOSTILE)
def test_a_message_says_the_house_style_and_words_are_text(words):
    facts = document.changed(BASE, {"name": words, "footer_text": "© {site}", "brand_colour": "#7a2e4d"})
    renderer = Renderer(small(facts), NOW)
    said = dict.fromkeys(ENQUIRY.names, words)
    read = PageReading(renderer.message(ENQUIRY, said).html)
    folded = " ".join(facts.name.split())
    assert (read.site_name, read.footer) == (folded, f"© {folded}")
    assert read.css("script") == []
    assert read.css_first("main blockquote").text() == words
    assert read.title == " ".join(f"Message from {words}".split())


def test_a_messages_pictures_are_found_from_anywhere():
    made = edition(logo=LOGO, logo_says_name=True)
    read = PageReading(Renderer(made, NOW).message(ENQUIRY, SAID).html)
    assert (read.name_is_seen, read.site_name) == (False, "Seed Library")
    assert read.logo.src.startswith("https://seeds.example/_hestor/logo-")
    assert opened(file(read.logo.src, logo=LOGO, logo_says_name=True).body).format == "PNG"
    plain = PageReading(Renderer(edition(), NOW).message(ENQUIRY, SAID).html)
    assert opened(file(plain.header_icon.src).body).size == (180, 180)


def test_a_picture_smaller_than_every_width_comes_in_its_own():
    made = edition()
    made.masters = {**MASTERS, "f" * 32: master_of(noise(120, 90))}
    made.pages.append(page("/s/", "S", f"![S](/_hestor/pic-{'f' * 32})"))
    image = PageReading(render(made, "/s/", NOW).body).css_first(".prose img").attributes
    assert (image["width"], image["height"], image["srcset"]) == ("120", "90", f"{image['src']} 120w")
    webp = PageReading(render(made, "/s/", NOW).body).css_first(".prose source").attributes
    assert opened(render(made, webp["srcset"].split()[0], NOW).body).size == (120, 90)
    assert opened(render(made, image["src"], NOW).body).size == (120, 90)


BANNER = "e" * 32
WIDE = {"logo": BANNER, "logo_width": 900}
PART = {"logo_phone": {"picture": BANNER, "trim": [0.25, 0, 0.75, 1]}}


@pytest.fixture
def with_banner(monkeypatch):
    monkeypatch.setitem(MASTERS, BANNER, master_of(noise(1200, 200)))


@pytest.mark.usefixtures("with_banner")
def test_a_banner_takes_a_line_and_phones_show_their_own_part():
    page = says("/about/", **WIDE, **PART)
    assert "has-banner" in page.arrangement.split()
    assert (page.logo.width, page.logo_phone.width) == (900, 480)
    shown = opened(file(page.logo_phone.src, **WIDE, **PART).body)
    assert shown.width / shown.height == pytest.approx(3, abs=0.02)
    assert says("/about/", **WIDE).logo_phone is None


@pytest.mark.usefixtures("with_banner")
def test_a_small_logo_is_whole_on_phones_and_stands_beside_the_name():
    page = says("/about/", logo=BANNER, logo_width=480, **PART)
    assert page.logo_phone is None
    assert "has-banner" not in page.arrangement
    assert "has-banner" not in says("/about/", **WIDE, header_parts=["name"]).arrangement
