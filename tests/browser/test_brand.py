"""Logo, icon, share picture, colours and typefaces: from whatever the owner has to every page."""

import json

import pytest
from playwright.sync_api import expect

from tests.support.pictures import drawing, encoded, noise, wordmark

LOGO = {"name": "logo.png", "mimeType": "image/png", "buffer": encoded(wordmark("#20406a", margin=60), "PNG")}
PHOTO = {"name": "green.jpg", "mimeType": "image/jpeg", "buffer": encoded(noise(1600, 900).resize((800, 450)), "JPEG")}
EMBLEM = '<rect x="10" y="10" width="80" height="80" fill="#a03020"/>'
DROP = """([selector, name, type, bytes]) => {
  const data = new DataTransfer();
  data.items.add(new File([new Uint8Array(bytes)], name, {type}));
  const target = document.querySelector(selector);
  const options = {dataTransfer: data, bubbles: true, cancelable: true};
  for (const kind of ['dragover', 'drop']) target.dispatchEvent(new DragEvent(kind, options));
}"""


def publish(person) -> None:
    page = person.page
    page.get_by_role("button", name="Review").first.click()
    page.get_by_role("button", name="Publish th").click()
    expect(page.get_by_role("heading", name="is live")).to_be_visible()


def kept(person, fact: str) -> None:
    expect(person.fact(fact).get_by_text("✓ Saved").first).to_be_visible()


def header_image(person, server, dark: bool = False):
    person.page.emulate_media(color_scheme="dark" if dark else "light")
    person.page.goto(server.site("quillmere") + "/borrowing/")
    image = person.page.locator("header img.logo")
    expect(image).to_be_visible()
    shown = image.evaluate("i => ({src: i.currentSrc, width: i.width, natural: i.naturalWidth, alt: i.alt})")
    person.page.emulate_media(color_scheme="light")
    return shown


def test_a_dropped_logo_reaches_every_page(owner_desk, server):
    person, page = owner_desk, owner_desk.page
    logo = person.fact("Logo")
    selector = '[data-field="logo"] > div'
    page.locator(selector).first.wait_for()
    page.evaluate(DROP, [selector, LOGO["name"], LOGO["mimeType"], list(LOGO["buffer"])])
    expect(logo).to_contain_text("“logo.png” is here.")
    expect(logo).to_contain_text("of it is empty margin")
    image = "document.querySelector('[data-field=logo] .checker img')"
    # What has not come yet is of no size.
    person.wait_until(f"() => {image}?.naturalWidth > 0")
    wide = logo.get_by_role("img", name="The logo").evaluate("i => i.naturalWidth / i.naturalHeight")
    untrimmed = logo.get_by_role("img", name="The logo").get_attribute("src")
    logo.get_by_role("button", name="Trim it").click()
    expect(logo).to_contain_text("Trimmed to what is drawn.")
    page.keyboard.press("Control+z")
    expect(logo).to_contain_text("of it is empty margin")
    page.keyboard.press("Control+Shift+z")
    expect(logo).to_contain_text("Trimmed to what is drawn.")
    expect(logo.get_by_role("img", name="The logo")).not_to_have_attribute("src", untrimmed or "")
    person.wait_until(f"wide => {image}.naturalWidth / {image}.naturalHeight > wide + 1", wide)

    # The demo's own pale version was of the former logo and went with it; the new one vanishes on dark ground.
    expect(logo).to_contain_text("On dark backgrounds it stands on a light backing.")
    logo.get_by_role("button", name="Use a pale one there").click()
    expect(logo).to_contain_text("On dark backgrounds it has a version of its own.")
    expect(logo).to_contain_text("Sent as WebP")
    logo.get_by_label("Width in pixels").fill("200")
    logo.get_by_label("It already says the name").check()
    kept(person, "Logo")
    expect(person.proof("Name", "Page header").locator("mark")).to_have_count(0)
    publish(person)

    light, dark = header_image(person, server), header_image(person, server, dark=True)
    assert (light["width"], light["alt"]) == (200, "Quillmere Seed Library")
    assert light["natural"] >= 200
    assert light["src"].endswith(".webp")
    assert dark["src"] != light["src"]
    expect(page.get_by_role("link", name="Quillmere Seed Library")).to_be_visible()
    expect(page.locator(".site-name")).to_have_count(0)
    assert "Quillmere Seed Library" in page.title()


def test_a_pasted_picture_and_a_refused_one(used_desk):
    logo = used_desk.fact("Logo")
    bad = {"name": "logo.png", "mimeType": "image/png", "buffer": b"words, renamed"}
    logo.locator("input[type=file]").first.set_input_files(bad)
    expect(logo).to_contain_text("“logo.png” holds plain text, not a picture")
    assert used_desk.faults(logo) == []
    logo.get_by_role("button", name="Dismiss").click()
    logo.get_by_role("button", name="Replace it").focus()
    used_desk.page.evaluate(
        """bytes => {
          const data = new DataTransfer();
          data.items.add(new File([new Uint8Array(bytes)], 'pasted.png', {type: 'image/png'}));
          const options = {clipboardData: data, bubbles: true, cancelable: true};
          document.activeElement.dispatchEvent(new ClipboardEvent('paste', options));
        }""",
        list(LOGO["buffer"]),
    )
    expect(logo).to_contain_text("“pasted.png” is here.")


@pytest.mark.long
def test_an_icon_made_here(server, people):
    person = people(server, width=390).sign_in().open()
    icon, page = person.fact("Icon"), person.page
    before = server.get("quillmere.localhost", "/favicon.ico")[1]
    icon.get_by_role("button", name="Make one").click()
    for name in ("Leaf", "Circle"):
        # As a person clicks: on what is seen, once it stands still; the radio itself is for the keyboard.
        icon.get_by_title(name, exact=True).click()
        expect(icon.get_by_role("radio", name=name)).to_be_checked()
    icon.get_by_label("Blend into another colour").check()
    icon.get_by_label("Soft shadow").check()
    expect(icon).to_contain_text("Clear at 16 pixels, on light and dark")
    kept(person, "Icon")
    src = person.proof("Icon", "Browser tab").first.locator("img").first.get_attribute("src")
    assert "icon.svg" in (src or "")
    assert person.wrong_at_any_width(icon) == []
    assert server.get("quillmere.localhost", "/favicon.ico")[1] == before
    publish(person)
    assert server.get("quillmere.localhost", "/favicon.ico")[1] != before
    page.goto(server.site("quillmere"))
    assert page.locator('link[rel="icon"][type="image/svg+xml"]').count() == 1


def test_an_icon_made_by_keyboard_alone(owner_desk):
    icon, page = owner_desk.fact("Icon"), owner_desk.page
    icon.get_by_role("button", name="Make one").focus()
    page.keyboard.press("Enter")
    expect(icon.get_by_role("radio", name="Leaf")).to_be_attached()
    for name in ("From the logo", "From a picture", "Back to the starter icon"):
        page.keyboard.press("Tab")
        expect(icon.get_by_role("button", name=name)).to_be_focused()
    page.keyboard.press("Tab")
    page.keyboard.press("Control+a")
    page.keyboard.type("Qm!")
    expect(icon.get_by_label("One or two letters")).to_have_value("Qm")
    page.keyboard.press("Tab")
    page.keyboard.press("ArrowRight")
    expect(icon.get_by_role("radio", name="Sprout")).to_be_checked()
    expect(icon.get_by_label("One or two letters")).to_have_value("")
    page.keyboard.press("Tab")
    page.keyboard.press("ArrowRight")
    expect(icon.get_by_role("radio", name="Circle")).to_be_checked()
    kept(owner_desk, "Icon")


def test_an_icon_from_a_picture_is_cropped_by_keyboard(owner_desk, server):
    icon, page = owner_desk.fact("Icon"), owner_desk.page
    icon.get_by_role("button", name="From a picture").click()
    icon.locator("input[type=file]").first.set_input_files(PHOTO)
    area = icon.get_by_role("group", name="Part of the picture that is shown")
    expect(area).to_be_visible()
    kept(owner_desk, "Icon")

    def crop():
        return page.evaluate("fetch('/api/sites/quillmere/style').then(r => r.json()).then(s => s.facts.icon.crop)")

    first = crop()
    assert first[2] - first[0] == pytest.approx(450 / 800, abs=0.01)
    area.focus()
    with page.expect_response(lambda answer: answer.request.method == "PATCH" and answer.url.endswith("/style")):
        for _ in range(5):
            page.keyboard.press("ArrowRight")
    page.wait_for_timeout(900)
    moved = crop()
    assert moved[0] > first[0]
    assert moved[2] - moved[0] == pytest.approx(first[2] - first[0], abs=0.01)
    publish(owner_desk)
    page.goto(server.site("quillmere"))
    assert page.locator('link[rel="icon"][type="image/png"]').count() == 1


def test_an_icon_from_the_logo_follows_the_logo(used_desk):
    icon, logo = used_desk.fact("Icon"), used_desk.fact("Logo")
    icon.get_by_role("button", name="From the logo").click()
    kept(used_desk, "Icon")
    shown = icon.get_by_role("img", name="The icon", exact=True)
    before = shown.get_attribute("src")
    file = {"name": "other.svg", "mimeType": "image/svg+xml", "buffer": drawing(EMBLEM)}
    logo.locator("input[type=file]").first.set_input_files(file)
    expect(logo).to_contain_text("“other.svg” is here.")
    expect(shown).not_to_have_attribute("src", before or "")


def test_made_files_are_read_by_another_decoder(shared_server, people):
    """Chromium's decoders had no part in making the files; they must see what Pillow and resvg made."""
    page = people(shared_server).page
    page.goto(shared_server.site("silberpfad"))
    manifest = json.loads(shared_server.get("silberpfad.localhost", "/site.webmanifest")[1])
    sizes = page.evaluate(
        """async more => {
          const srcset = element => element.srcset.split(', ').map(candidate => candidate.split(' ')[0]);
          const named = [
            ...more,
            ...[...document.querySelectorAll('link[rel*=icon]')].map(link => link.href),
            ...[...document.querySelectorAll('header source, header img')].flatMap(srcset),
            document.querySelector('meta[property="og:image"]').content,
          ];
          const found = {};
          for (const src of named) {
            const image = new Image();
            image.src = src;
            await image.decode();
            found[image.src.split('/').at(-1)] = [image.naturalWidth, image.naturalHeight];
          }
          return found;
        }""",
        ["/favicon.ico", *(icon["src"] for icon in manifest["icons"])],
    )
    for name in ("icon-192.png", "icon-512.png", "maskable-512.png"):
        assert sizes[name] == [int(name.split("-")[1].split(".")[0])] * 2
    assert sizes["icon-180.png"] == [180, 180]
    assert sizes["share.jpg"] == [1200, 630]
    assert sizes["favicon.ico"][0] in (16, 32, 48)
    width, height = sizes["1x.png"]
    for scale in (2, 3):
        for ending in ("png", "webp"):
            assert sizes[f"{scale}x.{ending}"] == pytest.approx([width * scale, height * scale], abs=scale)


def test_the_drawing_and_the_pixels_agree(shared_server, people):
    """The SVG as Chromium draws it, against the PNG as resvg drew it."""
    page = people(shared_server).page
    page.goto(shared_server.site("quillmere"))
    away = page.evaluate(
        """async () => {
          const svg = document.querySelector('link[type="image/svg+xml"]').href;
          async function pixels(src) {
            const image = new Image();
            image.src = src;
            await image.decode();
            const canvas = Object.assign(document.createElement('canvas'), {width: 192, height: 192});
            const pen = canvas.getContext('2d');
            pen.drawImage(image, 0, 0, 192, 192);
            return pen.getImageData(0, 0, 192, 192).data;
          }
          const [one, other] = [await pixels(svg), await pixels(svg.replace('icon.svg', 'icon-192.png'))];
          return one.reduce((sum, value, at) => sum + Math.abs(value - other[at]), 0) / one.length;
        }"""
    )
    assert away < 2


def test_colours_and_typefaces(owner_desk, server):
    person, page = owner_desk, owner_desk.page
    # The logo's colour is proposed where it would be another one, and not where it is the present one.
    person.fact("Accent").get_by_role("button", name="Take #7a2e4d").wait_for()
    expect(person.fact("Colour").get_by_role("button", name="Take #7a2e4d")).to_have_count(0)
    person.field("Accent").fill("#f5e663")
    expect(person.fact("Accent")).to_contain_text("tones were moved a little")
    person.fact("Accent").get_by_text("See all pairs").click()
    expect(person.fact("Accent").get_by_text("asked #f5e663").first).to_be_attached()
    expect(person.proof("Accent", "Links and buttons")).to_contain_text("28 pages")
    person.fact("Typefaces").get_by_role("radio").nth(2).check()
    kept(person, "Typefaces")
    publish(person)
    page.goto(server.site("quillmere"))
    assert "Bricolage Grotesque" in page.locator("h1").evaluate("e => getComputedStyle(e).fontFamily")
    assert "Source Serif 4" in page.locator("p").first.evaluate("e => getComputedStyle(e).fontFamily")
    assert page.evaluate(
        "document.fonts.ready.then(() => [...document.fonts].filter(f => f.status == 'loaded').map(f => f.family))"
    )


def test_tokens_from_another_program(used_desk):
    fact = used_desk.fact("Typefaces")
    with used_desk.page.expect_download() as downloaded:
        fact.get_by_role("link", name="Tokens (JSON)").click()
    assert downloaded.value.suggested_filename == "quillmere-tokens.json"
    css = {"name": "brand.css", "mimeType": "text/css", "buffer": b":root { --brand: #225588; --accent: #883311 }"}
    fact.locator("input[type=file]").first.set_input_files(css)
    expect(fact).to_contain_text("Taken from the file: Colour, Accent")
    expect(used_desk.field("Colour")).to_have_value("#225588")
    expect(used_desk.field("Accent")).to_have_value("#883311")
    fact.locator("input[type=file]").first.set_input_files({**css, "buffer": b"nothing here"})
    expect(fact.get_by_role("alert")).to_contain_text("There is no colour and no typeface in this file")


def test_a_share_picture_of_ones_own(owner_desk, server):
    share = owner_desk.fact("Share picture")
    expect(share).to_contain_text("Composed from logo, name, tagline and colour")
    share.locator("input[type=file]").first.set_input_files(PHOTO)
    expect(share).to_contain_text("A picture of your own")
    kept(owner_desk, "Share picture")
    publish(owner_desk)
    owner_desk.page.goto(server.site("quillmere"))
    address = owner_desk.page.locator('meta[property="og:image"]').get_attribute("content")
    status, body = server.get("quillmere.localhost", "/" + (address or "").split("/", 3)[3])
    assert (status, body[:3]) == (200, b"\xff\xd8\xff")
    assert len(body) < 300_000


def test_a_viewer_sees_marks_and_can_change_none(server, people):
    person = people(server).sign_in("guest").open()
    expect(person.fact("Icon").get_by_role("img", name="The icon", exact=True)).to_be_visible()
    for fact in ("Logo", "Icon", "Share picture"):
        expect(person.fact(fact).get_by_role("button", name="Upload")).to_have_count(0)
        expect(person.fact(fact).get_by_role("button", name="Make one")).to_have_count(0)
    expect(person.fact("Typefaces").get_by_role("radio").first).to_be_disabled()
    person.open(view="pictures")
    expect(person.page.get_by_role("button", name="Upload pictures")).to_have_count(0)
