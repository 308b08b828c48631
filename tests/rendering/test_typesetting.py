"""Names in any script are drawn whole: on the share picture, in icons, and as what stands beside them says."""

import io
from functools import lru_cache
from typing import Any

import numpy as np
import pytest
from fontTools.ttLib import TTFont
from hypothesis import example, given
from hypothesis import strategies as st
from numpy.typing import NDArray
from PIL import Image, ImageDraw, ImageFont

from hestor.core.facts.assets import DrawnIcon, Logo
from hestor.core.facts.document import Facts
from hestor.core.imaging.emblems import Outline
from hestor.core.imaging.typefaces import PAIRS
from hestor.core.imaging.written import broken, cut
from hestor.rendering import coverage, faces, typesetting
from hestor.rendering.brand_files import BrandFiles
from hestor.rendering.typesetting import Typesetting
from tests.support.pictures import master_of, wordmark

# Made up, each in the script that its speakers write; most are gardens, seeds or cafés.
NAMES = {
    "Latin": "Bücherstube & Garten",
    "Polish": "Łąka i ul",
    "Czech": "Včelí dům",
    "Turkish": "Çağdaş İğdeşlik",
    "Vietnamese": "Thư viện hạt giống",
    "Greek": "Ο κήπος των σπόρων",
    "Greek with marks": "Ἡ οἰκία τῶν μελισσῶν",
    "Russian": "Сад и огород «Щавель»",
    "Ukrainian": "Їжачок і ґанок",
    "Serbian": "Ђурђевак Љиљана",
    "Georgian": "თესლის ბიბლიოთეკა",
    "Armenian": "Սերմերի տուն",
    "Hebrew": "ספריית הזרעים",
    "Hebrew with points": "סֵפֶר וּשְׁתִיל",
    "Arabic": "مقهى النَّرجس",
    "Persian": "کتابخانهٔ بذر گل‌ها",
    "Urdu": "بیجوں کا گھر",
    "Hindi": "बीज पुस्तकालय की क्षितिज",
    "Bengali": "বীজ গ্রন্থাগার",
    "Punjabi": "ਬੀਜ ਘਰ",
    "Gujarati": "બીજ પુસ્તકાલય",
    "Odia": "ବିହନ ଘର",
    "Tamil": "விதை நூலகம்",
    "Telugu": "విత్తన గ్రంథాలయం",
    "Kannada": "ಬೀಜ ಗ್ರಂಥಾಲಯ",
    "Malayalam": "വിത്ത് വായനശാല",
    "Sinhala": "බීජ පුස්තකාලය",
    "Thai": "ห้องสมุดเมล็ดพันธุ์",
    "Lao": "ຫ້ອງສະໝຸດແກ່ນ",
    "Khmer": "បណ្ណាល័យគ្រាប់ពូជ",
    "Burmese": "မျိုးစေ့ စာကြည့်တိုက်",
    "Tibetan": "ས་བོན་དཔེ་མཛོད།",
    "Amharic": "የዘር ቤተ መጻሕፍት",
    "Cherokee": "ᏣᎳᎩ ᎤᎦᏔ",
    "Korean": "씨앗 도서관",
    "Japanese": "種子図書館とカフェ",
    "Chinese": "種子圖書館・种子图书馆",
    "mixed": "Café № 5: مرحبا (v2.0) & 種子 C++",
    "emoji": "Bücher ❤️ Łódź 👩‍🌾🇵🇱 ★",
    "marks": "Ẹ̀kọ́ e\u0301a\u0328\u0301 q\u0303",
    "eighty letters": "Gesellschaft zur Erhaltung alter Gemüse- und Obstsorten im Tal der Łąka, Сад" + "x" * 4,
}
LANGUAGES = {"Japanese": "ja", "Korean": "ko", "Chinese": "zh-Hant", "Hebrew": "he", "Arabic": "ar"}


def names() -> list[tuple[str, str]]:
    return [(name, LANGUAGES.get(kind, "en-GB")) for kind, name in NAMES.items()]


@pytest.mark.parametrize(("name", "language"), names(), ids=list(NAMES))
def test_each_letter_of_a_name_is_drawn(name, language):
    for pair in ("reading", "signboard"):
        parted = coverage.parted(name, pair, language)
        assert parted.undrawn == ()
        assert typesetting.missing(name, pair, 680, language) == 0
        for run in parted.runs:
            known = TTFont(io.BytesIO(faces.content(run.font))).getBestCmap()
            assert [one for one in run.text if ord(one) not in known and one not in "\u200c\u200d\ufe0f "] == []
        line = typesetting.written(name, pair, 680, language)
        assert 300 * len(name) / 3 < line.advance < 1600 * len(name)
        assert line.outline.right - line.outline.left == pytest.approx(line.advance, rel=0.25)


@lru_cache(maxsize=64)
def lower_half(name: str, language: str) -> NDArray[Any]:
    """The share picture below its emblem, where nothing stands but the name."""
    brand = BrandFiles(Facts(name=name, language=language, tagline=""), lambda key: None)
    made = brand.make(brand.share.src)
    assert made
    return np.asarray(Image.open(io.BytesIO(made.body)).convert("L"), int)[330:]


@pytest.mark.parametrize(("name", "language"), names(), ids=list(NAMES))
def test_the_share_picture_says_what_is_beside_it(name, language):
    said = BrandFiles(Facts(name=name, language=language), lambda key: None).share.alt
    assert said == coverage.parted(name, "reading", language).drawn
    without = lower_half("\U00010310", "en-GB")
    assert (np.abs(lower_half(name, language) - without) > 60).sum() > 1500


@pytest.mark.parametrize("kind", ["Polish", "Russian", "Hebrew", "Hindi", "Thai", "Georgian", "Korean", "Chinese"])
def test_the_starter_icon_shows_the_first_letter(kind):
    facts = Facts(name=NAMES[kind], language=LANGUAGES.get(kind, "en-GB"))
    brand = BrandFiles(facts, lambda key: None)
    assert brand.undrawn_of_icon == ""
    outline = brand.icon().outline  # type: ignore[union-attr]
    assert isinstance(outline, Outline)
    assert outline.right - outline.left > 200
    assert (np.asarray(brand.icon().at(64))[..., :3].min(axis=2) > 200).mean() > 0.02


def test_what_no_font_has_is_told_and_never_an_empty_square():
    facts = Facts(name="\U00010310\U00010311 Etruria", icon=DrawnIcon(letters="\U00010310"))
    brand = BrandFiles(facts, lambda key: None)
    assert brand.share.alt == "Etruria"
    assert brand.undrawn_of_share == "\U00010310\U00010311"
    assert brand.undrawn_of_icon == "\U00010310"
    assert (np.asarray(brand.icon().at(64))[..., :3].min(axis=2) > 200).mean() > 0.05


def test_a_name_that_the_logo_says_is_not_missed_on_the_share_picture():
    facts = Facts(name="\U00010310 Etruria", logo=Logo(picture="a" * 32), logo_says_name=True)
    brand = BrandFiles(facts, {"a" * 32: master_of(wordmark("#7a2e4d"))}.get)
    assert (brand.undrawn_of_share, brand.share.alt) == ("", "\U00010310 Etruria")


@pytest.mark.parametrize(
    ("text", "font"),
    [
        ("Borrow in spring", "literata-latin-wght-normal"),
        ("Сад и огород", "noto-sans-cyrillic-wght-normal"),
        ("مقهى النرجس", "noto-naskh-arabic-arabic-wght-normal"),
        ("बीज पुस्तकालय", "noto-sans-devanagari-devanagari-wght-normal"),
    ],
)
def test_a_line_is_as_long_as_another_typesetter_sets_it(text, font):
    """Pillow with Raqm; it can't change fonts within a line."""
    plain = io.BytesIO()
    opened = TTFont(io.BytesIO(faces.content(font)))
    opened.flavor = None
    opened.save(plain)
    theirs = ImageFont.truetype(io.BytesIO(plain.getvalue()), 1000, layout_engine=ImageFont.Layout.RAQM)
    theirs.set_variation_by_axes([600, *[axis["default"] for axis in theirs.get_variation_axes()[1:]]])
    length = ImageDraw.Draw(Image.new("L", (1, 1))).textlength(text, font=theirs)
    assert typesetting.advance(text, "reading", 600, "en") == pytest.approx(length, rel=0.01)


def test_chinese_letters_are_those_of_the_language():
    fonts = {tag: coverage.parted("骨直", "reading", tag).runs[0].font for tag in ("ja", "ko", "zh-Hans", "en")}
    assert [fonts[tag][:12] for tag in fonts] == ["noto-sans-jp", "noto-sans-kr", "noto-sans-sc", "noto-sans-sc"]
    assert coverage.parted("骨のカフェ", "reading", "en").runs[0].font.startswith("noto-sans-jp")


def test_a_family_that_lacks_letters_lends_none_to_a_word():
    for text in ("Thư viện", "Łódź"):
        families = {run.font.rpartition("-latin")[0] for run in coverage.parted(text, "signboard", "vi").runs}
        assert len({family for family in families if family}) <= 1


@given(st.text(max_size=40), st.sampled_from(sorted(PAIRS)), st.sampled_from(["en", "ar", "ja"]))
@example("\u200d", "reading", "en")
@example("\u0301", "reading", "en")
@example("a\u202eb", "reading", "en")
def test_any_text_is_parted_into_what_is_drawn_and_what_is_not(text, pair, language):
    parted = coverage.parted(text, pair, language)
    setter = Typesetting(pair, language)
    assert all(run.text for run in parted.runs)
    assert typesetting.missing(parted.drawn, pair, 400, language) == 0
    assert setter.drawn(text) == parted.drawn.strip()
    assert setter.written(text, 400).advance >= 0


@pytest.mark.parametrize("text", ["\u200dSeeds", "\u2060", "\ufe0f Seeds"])
def test_what_has_no_look_of_its_own_is_not_missed(text):
    assert Typesetting("reading", "en").undrawn(text) == ""


def length(text: str) -> float:
    return len(text)


@pytest.mark.parametrize(
    ("text", "most", "wanted"),
    [
        ("one two three", 8, ("one two", "three")),
        ("one two three", 5, None),
        ("種子図書館", 3, ("種子図", "書館")),
        ("種子 図書館", 3, ("種子", "図書館")),
        ("Café 種子図書館", 8, ("Café 種子図", "書館")),
        ("", 5, ()),
        ("  ", 5, ()),
    ],
)
def test_lines_break_at_spaces_or_between_chinese_letters(text, most, wanted):
    assert broken(text, most, 2, length) == wanted


def test_what_is_cut_keeps_its_letters_whole():
    assert cut("e\u0301" * 9, 7, length) == "e\u0301" * 3 + "…"
    assert cut("👩‍🌾" * 9, 7, length) == "👩‍🌾" * 2 + "…"
