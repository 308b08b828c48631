"""Single pages of other makes: each with one stray, or with what only looks like one; nothing else may be said of it."""

import pytest

from hestor.core.sweep.files import Files
from hestor.core.sweep.folder import sweep
from hestor.core.sweep.style import read
from tests.support.labelled import TODAY

SETS = {
    "en": (
        {
            "name": "Harrow Lane Pottery",
            "language": "en-GB",
            "contact_email": "studio@harrowlane.example",
            "date_long": "d MMMM y",
            "phone": "+44 1632 960 118",
        },
        {"name": ["Harrow Clay Works"], "contact_email": ["clay@oldmail.example"]},
        "<p>© 2026 Harrow Lane Pottery. studio@harrowlane.example, 01632 960118</p>",
        [
            ("former_name", "Welcome to Harrow Clay Works, home of hand-thrown mugs."),
            ("former_name", "Harrow Clay Works' kiln is fired on Thursdays."),
            ("former_name", "<a href='/'>About Harrow Clay Works</a>"),
            ("", "In 2015 Harrow Clay Works changed its name to Harrow Lane Pottery."),
            ("", "Our founder sold Harrow Clay Works in 1998 and started again."),
            ("", "We used to trade as Harrow Clay Works."),
            ("", "Clay works best when it is wet. Harrow has good clay."),
            ("misspelt_name", "Visit Harow Lane Pottery this weekend."),
            ("misspelt_name", "Harrow Lane Potery is open."),
            ("misspelt_name", "Harrow Lnae Pottery has moved."),
            ("misspelt_name", "HarrowLane Pottery sells bowls."),
            ("", "Harrow Lane Potters is a group of our students."),
            ("", "The Harrow Lane pottery classes are full."),
            ("", "Barrow Lane Poultry sells eggs next door."),
            ("starter_text", "Lorem ipsum dolor sit amet, consectetur adipiscing elit."),
            ("starter_text", "<h2>Your heading here</h2>"),
            ("starter_text", "<p>Add a short description of your business here.</p>"),
            ("starter_text", "<p>Text goes here</p>"),
            ("starter_text", "<p>[Insert opening hours]</p>"),
            ("starter_text", "<p>John Doe, CEO, Company Name</p>"),
            ("starter_text", "<p>This is placeholder text.</p>"),
            ("starter_text", "<p>Coming soon...</p>"),
            ("", "Click here to add a mug to your basket."),
            ("", "Insert the clay here, between the boards."),
            ("", "Sample pieces stand in the window."),
            ("date_form", "Fired on 03 May 2026."),
            ("date_form", "Sale: May 3rd, 2026"),
            ("date_ambiguous", "Updated 3/5/26 by hand"),
            ("date_form", "Class starts 2026/05/13."),
            ("date_form", "13.05.2026 is the open day"),
            ("", "See you on Sunday 3 May 2026."),
            ("", "Between 3 and 5 May 2026 the kiln is cold."),
            ("", "Glaze no. 3.5.2026 is sold out"),
            ("", "Established 1987, rebuilt in 2003."),
            ("date_ambiguous", "Market on 04/05/2026"),
            ("date_ambiguous", "Pick up from 1/2/2026 on."),
            ("contact", "Email: info@harrowlane.example"),
            ("contact", "Contact clay@oldmail.example"),
            ("", "Glazes come from Tom at tom@glazeworld.example."),
            ("", "The council (licensing@harrow.example) inspects the kiln."),
            ("phone", "Tel: 01632 960181"),
            ("phone", "Phone us on 01632 960 777"),
            ("", "Fax: 01632 960119"),
            ("", "Item 01632 960 in the catalogue"),
            ("text_language", "<p>Unsere Tassen werden von Hand gedreht und im Holzofen gebrannt.</p>"),
            ("text_language", "<p>Nos tasses sont tournées à la main et cuites au four à bois.</p>"),
            ("", "<p>We speak Deutsch and français, un poco de español.</p>"),
            ("", "<p lang='it'>Le nostre tazze sono fatte a mano e cotte nel forno a legna.</p>"),
            ("alt_missing", "<img src='/logo.svg'>"),
            ("link_broken", "<a href='/shop.html'>shop</a>"),
        ],
    ),
    "de": (
        {
            "name": "Töpferei Lindenhof",
            "language": "de-DE",
            "contact_email": "hallo@lindenhof.example",
            "date_long": "d. MMMM y",
            "phone": "+49 30 123456 78",
        },
        {"name": ["Keramik am See"], "contact_email": ["see@alt.example"]},
        "<p>© 2026 Töpferei Lindenhof · hallo@lindenhof.example</p>",
        [
            ("former_name", "Willkommen bei Keramik am See!"),
            ("former_name", "Das Team von Keramik am See wünscht frohe Ostern."),
            ("", "Bis 2018 hieß die Werkstatt Keramik am See."),
            ("", "Gegründet wurde sie unter dem Namen Keramik am See."),
            ("misspelt_name", "Die Töpferei Lindenhoff öffnet um neun."),
            ("misspelt_name", "Toepferei Lindenhof in der Stadt"),
            ("misspelt_name", "Töpferei Lindnehof"),
            ("", "Die Töpferei Lindenhofs Tassen sind blau."),
            ("", "In der Töpferei auf dem Lindenhof ist es warm."),
            ("starter_text", "<p>Hier könnte Ihr Text stehen.</p>"),
            ("starter_text", "<p>Beispieltext</p>"),
            ("starter_text", "<h1>Titel eingeben</h1>"),
            ("starter_text", "<p>Max Mustermann, Musterstraße 12, 12345 Musterstadt</p>"),
            ("starter_text", "<p>Text folgt.</p>"),
            ("", "Hier können Sie Ihren Text auf eine Tasse drucken lassen."),
            ("", "Das Beispiel zeigt eine Vase."),
            ("date_form", "Am 3.5.2026 ist Markt."),
            ("date_form", "Stand: 03.05.26"),
            ("date_form", "Sonntag, den 3. Mai 2026 und 4. Mai. 2026"),
            ("date_form", "ab 3. Mai, 2026"),
            ("", "Am Sonntag, dem 3. Mai 2026, ist Markt."),
            ("", "Version 3.5.2026 der Preisliste"),
            ("contact", "E-Mail: info@lindenhof.example"),
            ("contact", "Schreiben Sie an see@alt.example"),
            ("", "Die Stadt erreichen Sie unter markt@stadt.example"),
            ("phone", "Telefon: 030 123456 79"),
            ("text_language", "<p>Our mugs are thrown by hand and fired in a wood kiln behind the house.</p>"),
            ("", "<p>Unser Newsletter heißt Clay and Fire und kommt per Mail.</p>"),
        ],
    ),
    "es": (
        {
            "name": "Taller de Barro Luna",
            "language": "es-ES",
            "contact_email": "hola@barroluna.example",
            "date_long": "d 'de' MMMM 'de' y",
        },
        {"name": ["Cerámicas Soto"]},
        "<p>© 2026 Taller de Barro Luna · hola@barroluna.example</p>",
        [
            ("former_name", "En Cerámicas Soto hacemos tazas."),
            ("", "Antes nos llamábamos Cerámicas Soto."),
            ("", "Cerámicas Soto pasó a llamarse Taller de Barro Luna en 2012."),
            ("misspelt_name", "El Taller de Baro Luna abre hoy."),
            ("misspelt_name", "Taler de Barro Luna"),
            ("starter_text", "<p>Escribe aquí tu texto</p>"),
            ("starter_text", "<p>Texto de ejemplo</p>"),
            ("starter_text", "<p>Próximamente</p>"),
            ("date_form", "El 3 mayo 2026 abrimos."),
            ("date_ambiguous", "Fecha: 03/05/2026"),
            ("", "El domingo 3 de mayo de 2026 abrimos."),
            ("contact", "Correo: info@barroluna.example"),
            ("text_language", "<p>Our mugs are thrown by hand and fired in a wood kiln behind the house.</p>"),
        ],
    ),
    "fr": (
        {
            "name": "Poterie du Vieux Pont",
            "language": "fr-FR",
            "contact_email": "contact@vieuxpont.example",
            "date_long": "d MMMM y",
        },
        {"name": ["Terre et Feu"]},
        "<p>© 2026 Poterie du Vieux Pont · contact@vieuxpont.example</p>",
        [
            ("former_name", "Terre et Feu vous accueille."),
            ("", "L’atelier, jadis Terre et Feu, a grandi."),
            ("", "La terre et le feu font le pot."),
            ("misspelt_name", "La Poterie du Vieux Pon vous attend."),
            ("misspelt_name", "Poterie du Vieu Pont"),
            ("starter_text", "<p>Saisissez votre texte ici</p>"),
            ("starter_text", "<p>Texte à venir</p>"),
            ("date_form", "Le 3 mai. 2026"),
            ("date_form", "dimanche 03 mai 2026"),
            ("", "Le dimanche 3 mai 2026, c’est ouvert."),
            ("", "Le 1er mai 2026 est férié."),
            ("contact", "Courriel : info@vieuxpont.example"),
            ("text_language", "<p>Unsere Tassen werden von Hand gedreht und im Holzofen gebrannt.</p>"),
        ],
    ),
    "ar": (
        {"name": "ورشة الطين الأزرق", "language": "ar", "contact_email": "salam@teen.example", "date_long": "d MMMM y"},
        {"name": ["فخار الوادي"]},
        "<p>© 2026 ورشة الطين الأزرق · salam@teen.example</p>",
        [
            ("former_name", "أهلا بكم في فخار الوادي."),
            ("", "كانت الورشة تسمى فخار الوادي حتى عام 2015."),
            ("misspelt_name", "ورشة الطين الازرق تفتح اليوم."),
            ("misspelt_name", "ورشة الطيين الأزرق"),
            ("", "وورشة الطين الأزرق مفتوحة."),
            ("starter_text", "<p>هذا نص تجريبي</p>"),
            ("starter_text", "<p>أضف نصك هنا</p>"),
            ("date_form", "يوم 2026/05/13"),
            ("date_ambiguous", "يوم 3/5/2026"),
            ("", "يوم الأحد 3 مايو 2026"),
            ("text_language", "<p>Our mugs are thrown by hand and fired in a wood kiln behind the house.</p>"),
        ],
    ),
}


def plain(lang, title, body, footer, name):
    return (
        f'<!DOCTYPE html><html lang="{lang}"><head><meta charset="utf-8"><title>{title}</title><meta name="description" '
        f'content="About us and our work"><link rel="icon" href="/favicon.ico"></head><body><div id="top"><a href="/"><img src="/logo.svg" '
        f'alt="{name}"></a><ul><li><a href="/">1</a></li></ul></div><div class="content"><h1>H</h1>{body}</div><div class="foot">{footer}</div></body></html>'
    ).encode()


def kinds_of(files, style):
    found = {}
    for stray in sweep(Files(tuple(files), files.__getitem__), read(style).style, TODAY).strays:
        found.setdefault(stray.page, set()).add(stray.kind)
    return found


@pytest.fixture(scope="module")
def texts():
    found = {}
    for lang, (facts, former, footer, items) in SETS.items():
        name = facts["name"]
        files = {
            "index.html": plain(facts["language"], name, "<p>x</p>", footer, name),
            "logo.svg": b"<svg/>",
            "favicon.ico": b"x",
        }
        for number, (_, body) in enumerate(items):
            whole = body if body.startswith("<") else f"<p>{body}</p>"
            files[f"p{number}.html"] = plain(facts["language"], f"Page {number}a – {name}", whole, footer, name)
        found[lang] = kinds_of(files, {"hestor": 1, "facts": facts, "former": former})
    return found


@pytest.mark.parametrize(
    ("lang", "number"), [(lang, number) for lang, one in SETS.items() for number in range(len(one[3]))]
)
def test_a_passage_says_what_it_is(texts, lang, number):
    kind, body = SETS[lang][3][number]
    assert texts[lang].get(f"p{number}.html", set()) == ({kind} if kind else set()), body


N = "Harrow Lane Pottery"
STYLE = {
    "hestor": 1,
    "facts": {
        "name": N,
        "short_name": "Harrow Pots",
        "language": "en-GB",
        "contact_email": "studio@harrowlane.example",
        "date_long": "d MMMM y",
    },
    "former": {"name": ["Harrow Clay Works"]},
}
FOOT = '<footer><p>Open Tuesday to Saturday, 10am to 5pm</p><p>© 2010–2026 Harrow Lane Pottery</p><p><a href="mailto:studio@harrowlane.example">Write</a></p></footer>'


def P(
    title=None,
    lang="en-GB",
    head="",
    body="<p>Mugs and bowls, thrown by hand.</p>",
    foot=FOOT,
    header='<header><a href="/"><img src="/img/logo.svg" alt="Harrow Lane Pottery"></a><nav><a href="/">Start</a></nav></header>',
    icons='<link rel="icon" href="/favicon.svg" type="image/svg+xml"><link rel="apple-touch-icon" href="/touch.png">',
):
    said = f' lang="{lang}"' if lang is not None else ""
    return f'<!doctype html><html{said}><head><meta charset=utf-8><title>{title if title is not None else "Mugs – " + N}</title><meta name=description content="Mugs">{icons}{head}</head><body>{header}<main><h1>Mugs</h1>{body}</main>{foot}</body></html>'


def T(n):
    return f"Bowl {n}x – {N}"


CASES = [
    ("title_empty", P(title="")),
    ("title_empty", P(title="Untitled document")),
    ("title_empty", P(title="Home")),
    ("title_empty", P(title="New page")),
    ("", P(title="Home and garden pots – " + N)),
    ("title_repeats_name", P(title=f"{N} | Mugs | {N}")),
    ("title_repeats_name", P(title=f"Welcome to {N} - {N}")),
    ("", P(title=f"Pottery lane: how Harrow got its name – {N}")),
    (
        "title_long",
        P(
            title=f"A very long title about throwing, drying, glazing and firing mugs in the old wood kiln behind the house – {N}"
        ),
    ),
    ("lang_missing", P(title=T(1), lang=None)),
    ("lang_missing", P(title=T(2), lang="")),
    ("lang_wrong", P(title=T(3), lang="fr")),
    ("lang_wrong", P(title=T(4), lang="en_GB")),
    ("lang_wrong", P(title=T(5), lang="xx-klingon")),
    ("", P(title=T(6), lang="en")),
    (
        "",
        P(
            title=T(7),
            lang="de",
            body="<p>Unsere Tassen werden von Hand gedreht und im Holzofen gebrannt. Wir freuen uns auf Sie.</p><p>Jeden Samstag ist die Werkstatt für alle geöffnet, die zusehen wollen.</p>",
        ),
    ),
    (
        "old_icon",
        P(
            title=T(8),
            icons='<link rel="shortcut icon" href="/old.ico"><link rel="apple-touch-icon" href="/touch.png">',
        ),
    ),
    (
        "old_icon",
        P(title=T(9), icons='<link rel="icon" href="/favicon.svg"><link rel="apple-touch-icon" href="/touch-old.png">'),
    ),
    (
        "",
        P(
            title=T(10),
            icons='<link rel="icon" href="favicon.svg?v=9"><link rel="apple-touch-icon" sizes="180x180" href="./touch.png">',
        ),
    ),
    (
        "",
        P(
            title=T(11),
            icons='<link rel="icon" href="/favicon-32.png" sizes="32x32"><link rel="icon" href="/favicon.svg"><link rel="apple-touch-icon" href="/touch.png">',
        ),
    ),
    (
        "old_logo",
        P(
            title=T(12),
            header='<header><a href="/"><img src="/img/logo-2015.svg" alt="Harrow Lane Pottery"></a><nav>x</nav></header>',
        ),
    ),
    (
        "old_logo",
        P(
            title=T(13),
            header='<header><a href="/"><img src="/img/clay-works.png" alt="Harrow Lane Pottery"></a><nav>x</nav></header>',
        ),
    ),
    (
        "",
        P(
            title=T(14),
            header='<header><a href="/"><img src="/img/logo.svg?x=1" srcset="/img/logo@2x.png 2x" alt="Harrow Lane Pottery"></a><nav>x</nav></header>',
        ),
    ),
    ("", P(title=T(15), body='<p>Our sponsors: <img src="/img/bank-logo.png" alt="Logo of Fen Bank"></p>')),
    (
        "",
        P(
            title=T(16),
            header='<header><picture><source media="(prefers-color-scheme: dark)" srcset="/img/logo-dark.svg"><img src="/img/logo.svg" alt="Harrow Lane Pottery"></picture><nav>x</nav></header>',
        ),
    ),
    ("past_year", P(title=T(17), foot=FOOT.replace("2010–2026", "2023"))),
    ("past_year", P(title=T(18), foot=FOOT.replace("2010–2026", "2010-2024"))),
    (
        "past_year",
        P(
            title=T(19),
            foot='<div id="footer"><p>Copyright &copy; 2022 Harrow Lane Pottery. All rights reserved.</p></div>',
        ),
    ),
    ("", P(title=T(20), foot=FOOT.replace("© 2010–2026", "Since 2010,"))),
    ("", P(title=T(21), body="<p>Photo © 2014 Jane Reed</p>")),
    ("", P(title=T(22), foot=FOOT.replace("2010–2026", "2010 – today"))),
    ("short_name", P(title=T(23), head='<meta name="apple-mobile-web-app-title" content="Clay Works">')),
    ("", P(title=T(24), head='<meta name="apple-mobile-web-app-title" content="Harrow Pots">')),
    ("", P(title=T(25), head='<meta name="application-name" content="Harrow Lane Pottery">')),
    ("opted_out", P(title=T(26), foot="")),
    ("opted_out", P(title=T(27), header="")),
    ("hours", P(title=T(28), body="<p>We are open Tuesday to Saturday, 9am to 5pm.</p>")),
    (
        "hours",
        P(title=T(29), body="<h2>Opening hours</h2><table><tr><th>Tuesday</th><td>11:00 - 17:00</td></tr></table>"),
    ),
    ("", P(title=T(30), body="<p>We are open Tuesday to Saturday, 10:00–17:00.</p>")),
    ("", P(title=T(31), body="<p>The evening class is on Tuesday, 7pm to 9pm.</p>")),
    ("contrast", P(title=T(32), body='<p style="color:#999;background:#fff">Small print</p>')),
    ("contrast", P(title=T(33), head="<style>.note{color:#bbb}</style>", body='<p class="note">Small print</p>')),
    (
        "contrast",
        P(title=T(34), body='<div style="background-color: yellow"><span style="color: white">Sale</span></div>'),
    ),
    ("", P(title=T(35), body='<p style="color:#666">Fine</p><p style="color:#fff;background:#000">Fine</p>')),
    (
        "",
        P(
            title=T(36),
            head="<style>.btn{background:#0a5;color:#fff;font-size:24px}</style>",
            body='<a class="btn" href="/">Big</a>',
        ),
    ),
    ("alt_missing", P(title=T(37), body='<figure><img src="/img/logo.svg"><figcaption>A mug</figcaption></figure>')),
    ("", P(title=T(38), body='<img src="/img/logo.svg" alt=""><img src="/img/logo.svg" alt="A blue mug">')),
    ("link_broken", P(title=T(39), body='<a href="gone.html">x</a>')),
    ("link_broken", P(title=T(40), body='<a href="#nowhere">x</a>')),
    (
        "",
        P(
            title=T(41),
            body='<a href="https://other.example/gone.html">x</a><a href="mailto:studio@harrowlane.example">y</a><a href="#">z</a><a href="index.html?a=b#top">w</a>',
        ),
    ),
    ("former_name", P(title="Shop – Harrow Clay Works")),
    ("former_name", P(title=T(42), head='<meta property="og:site_name" content="Harrow Clay Works">')),
    (
        "former_name",
        P(
            title=T(43),
            head='<script type="application/ld+json">{"@type":"Organization","name":"Harrow Clay Works"}</script>',
        ),
    ),
    ("former_name", P(title=T(44), foot=FOOT.replace("2026 Harrow Lane Pottery", "2026 Harrow Clay Works"))),
    ("former_name", P(title=T(45), body="<p>Harrow <em>Clay</em> Works</p>")),
    ("title_twin", P(title="Twins – " + N)),
    ("title_twin", P(title="Twins – " + N)),
]

ASSETS = (
    "favicon.svg",
    "touch.png",
    "old.ico",
    "touch-old.png",
    "favicon-32.png",
    "img/logo.svg",
    "img/logo-2015.svg",
    "img/clay-works.png",
    "img/logo@2x.png",
    "img/bank-logo.png",
    "img/logo-dark.svg",
)


@pytest.fixture(scope="module")
def wholes():
    files = {"index.html": P(title=f"{N} – mugs thrown by hand").encode()}
    files |= {f"base{n}.html": P(title=f"Base {n}q – {N}").encode() for n in range(6)}
    files |= {name: name.encode() for name in ASSETS}
    files |= {f"c{n}.html": html.encode() for n, (_, html) in enumerate(CASES)}
    return kinds_of(files, STYLE)


@pytest.mark.parametrize("number", range(len(CASES)))
def test_a_page_says_what_it_is(wholes, number):
    kind, html = CASES[number]
    assert wholes.get(f"c{number}.html", set()) == ({kind} if kind else set()), html


def test_the_pages_that_agree_are_left_alone(wholes):
    assert not [page for page in wholes if page.startswith(("index", "base"))]
