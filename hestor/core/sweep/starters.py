"""Leftovers of starter texts: filler, words that stand for words, marks that somebody meant to come back to."""

import re
from collections.abc import Iterator, Sequence
from functools import lru_cache
from itertools import islice

import regex

from hestor.core.pages.empty_titles import says_nothing
from hestor.core.reading.source import Source, all_of, windows
from hestor.core.sweep.starter_lines import LONGEST, is_left_over
from hestor.core.sweep.stray import Stray

_FILLER = r"""
(?-i:Lorem|LOREM)\s+ipsum(?:\s+dolor(?:\s+sit\s+amet)?)?|lorem\s+ipsum\s+dolor(?:\s+sit\s+amet)?|dolor\s+sit\s+amet|consectetu(?:r|er)\s+adipisc\w+|nunc\s+et\s+lorem
the quick brown fox jumps over the lazy dog
franz jagt im komplett verwahrlosten taxi quer durch bayern
"""
# Whole sayings that stand for what an owner was to write.
_SAYINGS = r"""
your (?:text|tagline|slogan|logo|company|company name|business name|site name|title|headline|heading|subtitle|subheading|caption|paragraph|button text|link|image|photo|picture|content|description|message|story) (?:goes )?here
your (?:name|address|email|e-mail|phone number) (?:goes )?here(?!,?\s+\p{L})
(?:insert|add|enter|type|put|write) (?:your |some |a |the )?(?:own )?(?:text|tagline|slogan|title|content|description|words|headline|heading|caption|image|picture|photo|logo|copy)(?: goes)? here
(?:insert|add|enter|type|put|write) (?:your |a |the )?(?:own )?(?:name|address|email|e-mail)(?: goes)? here(?!,?\s+\p{L})
(?:click|tap|double[-\x20]click) (?:here )?to (?:edit|add|change) (?:this |the |your |some )?(?:text|title|content|heading|paragraph|image|tagline|caption)
this is (?:a |an |the |your |some )?(?:sample|example|placeholder|dummy|starter|filler|default|test) (?:page|text|post|paragraph|content|title|heading|sentence|tagline|article|entry|caption|site)
(?:edit|replace|change) this (?:text|page|paragraph|title|heading|line|sentence|content|placeholder)(?: with your own)?
(?:say|write|tell) something about (?:yourself|your (?:site|business|company|club|shop|page))(?: here)?
(?:tell|describe) (?:your )?visitors (?:what|who|something)[^.\0]{0,60}
a (?:short |brief )?(?:description|summary) of your (?:site|business|company|page)(?: goes here)?
your (?:tagline|slogan|site name|company name|business name|organisation name|organization name)
(?:site|company|business|organi[sz]ation|shop|club) (?:name|title|tagline) here
text (?:goes|comes) here|content (?:goes|comes) here|title goes here|headline goes here
my (?:new |first )?(?:web ?site|web ?page|home ?page|blog)(?: title)?
welcome to (?:my|your) (?:new )?(?:web ?site|web ?page|home ?page|site|blog)
(?:add|insert|put|place) (?:your |some |a )?(?:content|text|heading|title|description|paragraph|words) here|describe your (?:business|company|site|shop|club|organi[sz]ation|services?)(?: here)?|(?:heading|headline|title|subtitle|description|caption|body text) (?:goes|comes) here|a short line about (?:us|you|your site)
untitled (?:page|document|site)
hier (?:steht|kommt|könnte|erscheint|folgt) (?:bald |später |demnächst |noch )?(?:ihr|ihre|dein|deine|der|die|ein|eine) (?:\w+ )?(?:text|titel|slogan|inhalt|logo|name|beschreibung|überschrift|inhalte)(?: stehen| hin| hinein)?
hier entsteht (?:eine|unsere|die|in kürze eine) (?:neue )?(?:website|webseite|internetseite|homepage|seite)|(?:bitte )?(?:text|titel|inhalt|slogan) (?:eingeben|einfügen|eintragen|ergänzen)|titel der seite
(?:ihr|dein) (?:text|slogan|titel|logo|firmenname|name|untertitel|inhalt) (?:hier|kommt hier\w*|steht hier)
(?:text|titel|inhalt|slogan|beschreibung|überschrift) hier (?:eingeben|einfügen|eintragen|schreiben|ändern)
(?:klicken sie|klick|klicke) (?:hier|hierher)?,? ?um (?:den |diesen |ihren |einen )?(?:text|titel|inhalt|absatz|slogan) (?:zu (?:bearbeiten|ändern)|(?:einzugeben|einzufügen|hinzuzufügen))
(?:bild|foto|logo|video|name) hier (?:einfügen|eingeben|hochladen)|diese (?:seite|webseite|website) (?:befindet sich|ist) (?:noch |derzeit |gerade )?im aufbau
(?:das|dies) ist (?:ein|eine) (?:beispiel|muster|platzhalter|blind|test)[-\x20]?(?:text|seite|beitrag|titel|absatz|inhalt)
musterfirma|musterstra(?:ß|ss)e(?: \d+)?|musterstadt|mustermann|meine neue (?:website|webseite|homepage)
(?:su|tu) (?:texto|eslogan|lema|título|logo|logotipo|nombre|empresa|descripción|contenido) (?:va )?aquí
(?:escriba|escribe|inserte|inserta|introduzca|añada|añade|ponga|pon) (?:aquí )?(?:su |tu |el |un |algún )?(?:propio )?(?:texto|título|eslogan|lema|contenido|descripción|nombre)(?: aquí|(?!,?\s+\p{L}))
(?:haga|haz) clic (?:aquí )?para (?:editar|cambiar|añadir)(?: (?:este|el|su|tu))?(?: (?:texto|título|contenido))?
(?:este|esta|esto) es (?:un |una )?(?:texto|página|entrada|párrafo|título|contenido|frase) de (?:ejemplo|muestra|prueba|relleno)
nombre de (?:su|tu|la) empresa aquí|mi (?:nuevo )?sitio web|texto provisional|aquí va (?:su|tu|el) (?:texto|título|eslogan|contenido|lema|nombre)|añad[ae] (?:un |su |tu )?(?:texto|título|contenido)(?: aquí)?|una línea corta sobre nosotros|esta página está en construcción|describa (?:su|tu) (?:empresa|negocio)(?: aquí)?
(?:votre|ton) (?:texte|slogan|titre|logo|nom|contenu|description|entreprise) (?:va |vient )?ici
(?:insérez|insérer|ajoutez|ajouter|saisissez|écrivez|tapez) (?:ici )?(?:votre |un |le |du )?(?:texte|titre|slogan|contenu|description|nom)(?: ici|(?!,?\s+\p{L}))
cliquez (?:ici )?pour (?:modifier|éditer|changer|ajouter)(?: (?:ce|le|votre|du))?(?: (?:texte|titre|contenu|paragraphe))?
(?:ceci|c['’]est|voici) (?:est )?une? (?:texte|page|article|paragraphe|titre|exemple|phrase|contenu) (?:d['’]exemple|de test|de remplissage|provisoire|fictif|de page)
nom de (?:votre |l['’])entreprise|mon (?:nouveau )?site (?:web|internet)|faux[-\x20]texte|(?:saisissez|saisir|tapez|entrez) (?:ici )?votre (?:texte|titre|slogan|contenu)|titre de la page|(?:cette|la) page est en (?:cours de )?construction|ici (?:vient|va) votre (?:texte|titre|slogan)|décrivez votre (?:entreprise|activité)(?: ici)?
(?:il tuo|il vostro|il suo) (?:testo|slogan|titolo|logo|nome) (?:va )?qui|inserisci qui (?:il tuo )?(?:testo|titolo)|inserire qui (?:il )?(?:testo|titolo)
(?:uw|jouw|je) (?:tekst|slogan|titel|naam|logo) (?:komt )?hier|dit is (?:een )?voorbeeld(?:tekst|pagina)
(?:o |a )?(?:seu|sua|teu|tua) (?:texto|slogan|título|nome|logótipo|logotipo|conteúdo) (?:vai )?aqui|insira (?:aqui )?(?:o )?(?:seu )?(?:texto|título)(?: aqui)?
(?:اكتب|أدخل|ادخل|ضع|أضف|اكتبوا|أدخلوا) (?:نصك|النص|نصا|نصًا|نص|عنوانك|العنوان|عنوانا|شعارك|الشعار|اسم شركتك|اسم الموقع|وصفك|المحتوى|وصفا)(?: الخاص بك)?(?: هنا|(?!,?\s+\p{L}))
(?:هذا|هذه) (?:نص|صفحة|مقال|عنوان|فقرة|محتوى) (?:تجريبي|تجريبية|افتراضي|افتراضية|مؤقت|مؤقتة|للتجربة|نموذجي|نموذجية|نموذج)
شعارك هنا|نصك هنا|عنوانك هنا|اسم شركتك هنا|لوريم إيبسوم|هذا النص هو مثال(?: لنص يمكن أن يستبدل(?: في نفس المساحة)?)?|سطر قصير عن[ّ]?ا|صف شركتك هنا|عنوان الصفحة هنا|موقعي الجديد|مرحبا بك في موقعي
"""
# What may be said of real texts, too: it counts where a line says hardly anything else.
_NOUNS = r"""
(?:sample|placeholder|dummy|starter|filler|example|default) (?:page|text|post|paragraph|content|title|heading|headline|tagline|image|caption)
(?:platzhalter|blind|muster|beispiel|füll)(?:text|titel|seite|inhalt|bild|überschrift|absatz|beitrag)
(?:texto|página|título|contenido|párrafo|entrada|eslogan) de (?:ejemplo|muestra|relleno|prueba)
(?:texte|page|titre|contenu|paragraphe|article|slogan) (?:d['’]exemple|de remplissage|provisoire|fictif|à remplacer|de substitution|de test)
exemple de (?:texte|titre|contenu|paragraphe|slogan|page)
(?:testo|pagina|titolo) (?:di esempio|segnaposto|di prova|provvisorio)|voorbeeld(?:tekst|pagina|titel)|plaatshoudertekst
(?:texto|página|título) de (?:exemplo|preenchimento|teste)
(?:نص|صفحة|عنوان|محتوى|فقرة) (?:تجريبي|تجريبية|افتراضي|افتراضية|مؤقت|مؤقتة|نموذجي|نموذجية|بديل)|مثال لنص
"""
_MARKS = r"""
(?-i:\bTODO\b(?![ -](?:list|app|item))|\bTO DO:|\bTBD\b|\bTBC\b|\bFIXME\b|\bXXX\b|\bTKTK\b|\bTK\b)|\?\?\?+
"""
# What a program was to fill in, and did not.
_UNFILLED = r"""
\{\{\s*[\w .|-]+\s*\}\}|\{%\s*[\w .-]+\s*%\}|\$\{[\w.]+\}|%%[\w-]+%%|%[A-Z][A-Z_]{2,}%|<%=?\s*[\w.]+\s*%>
\[(?:your|insert|add|enter|company|business|site|name|email|e-mail|phone|address|date|title|tagline|ihr|ihre|firma|firmenname|name der firma|name|datum|titel|adresse|su|tu|nombre|empresa|título|fecha|correo|votre|nom|entreprise|titre|adresse|اسم|الاسم|اسم الشركة|العنوان|التاريخ)(?:[ _-][\w’' -]{0,30})?\]
\{(?:site|tagline|name|year|title|page|section|contact|email|company|company_name|site_name|site_title)\}
"""
# Names, addresses and numbers that were only ever an example.
_EXAMPLES = r"""
(?-i:\bJ(?:ohn|ane) Doe\b|\b(?:Company|Business|Site|Your|Club|Shop) Name\b|\bErika Mustermann\b|\bFulano de Tal\b|\bNombre de la Empresa\b|\bNom de l['’]Entreprise\b)
(?:your|you|name|email|user|username|info|someone|mail|test|yourname|jane[._]doe|john[._]doe|jane|john|ihre?|tu|votre|max\.mustermann|erika\.mustermann)[._-]?(?:name|email|mail|adresse|correo)?@(?:example|domain|yourdomain|your-domain|yoursite|your-site|yourcompany|company|email|mail|beispiel|ihredomain|ihre-domain|musterfirma|ejemplo|tudominio|exemple|votredomaine)\.(?:com|org|net|de|es|fr|tld|xyz)
\b123 (?:main|example|any|anywhere|sample|fake) (?:street|st\.?|road|avenue|lane)\b
\(?\b(?:123|555|000)\)?[ .-](?:456|555|000)[ .-](?:7890|0000|1234|5555)\b|(?-i:[$€£]\s?X{1,3}[.,]X{2}\b|\bX{2,3}[.,]X{2}\s?[$€£])
"""


def _either(*listed: str) -> regex.Pattern[str]:
    lines = [line.strip() for one in listed for line in one.strip().splitlines() if line.strip()]
    joined = "|".join(f"(?:{line})".replace(" ", r"[ \s]+") for line in lines)
    return regex.compile(rf"(?<![\p{{L}}\p{{N}}])(?:{joined})(?![\p{{L}}\p{{M}}])", regex.IGNORECASE)


_WORDS = _either(_FILLER, _SAYINGS)
_PHRASES = _either(_NOUNS)
_ANY_WORD = regex.compile(r"[\p{L}\p{N}]+(?:['’]\p{L}+)?")
_MOSTLY = 0.4
# A page with more of them is not read by anybody; it is enough to know.
_MOST = 300
_TO_FILL = regex.compile(
    "|".join(f"(?:{line})" for line in (_MARKS + _UNFILLED + _EXAMPLES).split("\n") if line), regex.IGNORECASE
)
# Each saying has one of these words, and none is longer than the reach.
_REACH = 90
_TELLING = frozenset(
    "here lorem dolor consectetur consectetuer nunc fox taxi sample example placeholder dummy starter filler default test edit "
    "aufbau construction construcción hochladen einzugeben einzufügen hinzuzufügen "
    "something visitors business company shop club organisation organization tagline slogan website webpage homepage "
    "heading headline sentence untitled describe hier muster musterfirma mustermann musterstadt musterstraße musterstrasse mustertext "
    "eingeben einfügen eintragen ergänzen bearbeiten ändern titel webseite blindtext platzhaltertext "
    "aquí ejemplo muestra prueba relleno clic provisional nosotros empresa negocio inserte inserta introduzca añada añade escriba escribe "
    "ici exemple remplissage provisoire fictif remplacer substitution modifier éditer changer ajouter internet saisissez saisir tapez "
    "entrez titre décrivez insérez insérer ajoutez faux qui esempio segnaposto prova provvisorio inserisci inserire hier voorbeeldtekst "
    "voorbeeldpagina voorbeeldtitel plaatshoudertekst voorbeeld aqui exemplo preenchimento teste insira "
    "هنا تجريبي تجريبية افتراضي افتراضية مؤقت مؤقتة نموذج نموذجي نموذجية للتجربة بديل مثال اكتب أدخل ادخل ضع أضف اكتبوا أدخلوا "
    "لوريم سطر موقعي بموقعي عنوان بك صف".split()
) | {
    first + last
    for first in ("platzhalter", "blind", "muster", "beispiel", "füll")
    for last in ("text", "titel", "seite", "inhalt", "bild", "überschrift", "absatz", "beitrag")
}
# Without one of these nothing of all that can be there.
_NEAR = 60
_MARKED = ("{", "%", "[", "<", "???", "TO DO:", "X.X", "X,X")
# The others by a word that they hold in small letters: only where it is there at all is it looked for as written.
_MARKED_WORDS = {
    said.strip().lower(): said
    for said in "TODO,TBD,TBC,FIXME,XXX,TKTK,TK, Doe, Name,Mustermann,Fulano,Empresa,Entreprise,123,555,000".split(",")
}
_MARKED_AT = re.compile(
    r"@(?:example|domain|your|company|email|mail|beispiel|ihre|muster|ejemplo|tudominio|exemple|votre)"
)
_HINTS = re.compile("|".join((*map(re.escape, (*_MARKED, *_MARKED_WORDS.values())), _MARKED_AT.pattern)))
_HEADINGS = frozenset(("h1", "h2", "h3", "h4", "h5", "h6"))
_LINES_OF = frozenset(("text", "title", "description"))
_OF_PROGRAMS = frozenset(("code", "kbd", "samp", "pre", "q", "blockquote", "cite"))


Near = tuple[int, str]


def starter_texts(source: Source) -> Iterator[Stray]:
    """Each leftover with where it stands; what stands in code or in a quotation is meant."""
    seen: list[tuple[int, int]] = []
    for pattern, found, sure in _all_found(source):
        start, end = found.span()
        block = source.block_at(start)
        # A title that says nothing is a stray of its own.
        if block.place == "title" and says_nothing(source.words_of(block)):
            continue
        if any(start < b and a < end for a, b in seen) or _is_meant(source, start, end, block.place):
            continue
        if pattern is _PHRASES and end - start < _MOSTLY * (block.end - block.start):
            continue
        seen.append((start, end))
        spot = source.spot(start, end)
        yield Stray("starter_text", source.path, block.place, spot.start, spot.end, found[0], "", sure)
    yield from _lines_alone(source, seen)


@lru_cache(maxsize=4)
def _first_words(pattern: regex.Pattern[str]) -> frozenset[str]:
    """The words that a pattern can begin with: only there is it tried, which takes a tenth of the time."""
    known = {word.casefold() for word in _ANY_WORD.findall(_FILLER + _SAYINGS + _NOUNS)}
    known |= {"musterstrasse"}
    known |= {
        first + last
        for first in ("platzhalter", "blind", "muster", "beispiel", "füll", "voorbeeld")
        for last in ("text", "titel", "seite", "inhalt", "bild", "überschrift", "absatz", "beitrag", "tekst", "pagina")
    }
    known |= {word[:-1] + one for word in list(known) for one in "aeos"} | {
        word + one for word in list(known) for one in "aest"
    }
    return frozenset(word for word in known if pattern.fullmatch(word, partial=True))


def _all_found(source: Source) -> Iterator[tuple[regex.Pattern[str], regex.Match[str], float]]:
    """All that patterns fit to, with how sure each is."""
    near = _near(source)
    yield from ((_WORDS, one, 0.95) for one in islice(_found(_WORDS, source.flat, near), _MOST))
    if _may_be_to_fill(source.flat, source.vocabulary):
        yield from ((_TO_FILL, one, 0.9) for one in islice(_to_fill(source.flat), _MOST))
    yield from ((_PHRASES, one, 0.8) for one in islice(_found(_PHRASES, source.flat, near), _MOST))


def _found(pattern: regex.Pattern[str], text: str, near: Sequence[Near]) -> Iterator[regex.Match[str]]:
    """Where a pattern fits that can only begin with some words: it is tried at these alone."""
    first = _first_words(pattern)
    last = 0
    for start, word in near:
        if start >= last and word in first and (match := pattern.match(text, start)):
            yield match
            last = match.end()


def _may_be_to_fill(text: str, vocabulary: frozenset[str]) -> bool:
    """Whether any mark is there at all, which is told in a hundredth of the time that it takes to look for where."""
    if any(mark in text for mark in _MARKED) or ("@" in text and _MARKED_AT.search(text)):
        return True
    return any(_MARKED_WORDS[word] in text for word in vocabulary & _MARKED_WORDS.keys())


def _to_fill(text: str) -> Iterator[regex.Match[str]]:
    marks = (match.start() for match in _HINTS.finditer(text))
    for begin, end in windows(marks, _NEAR, _NEAR, len(text)):
        yield from _TO_FILL.finditer(text, begin, end)


def _near(source: Source) -> list[Near]:
    """The words around those that tell of a starter text, in small letters, with where they begin."""
    text = source.lowered
    marks = sorted(at for word in source.vocabulary & _TELLING for at in all_of(text, word))
    # In an address such a word tells of nothing; the marks to be filled in look there.
    around = windows((at for at in marks if text[max(0, at - 1)] not in ".@"), _REACH, _REACH, len(text))
    return [
        (match.start(), match[0].casefold()) for begin, end in around for match in _ANY_WORD.finditer(text, begin, end)
    ]


def _lines_alone(source: Source, seen: Sequence[tuple[int, int]]) -> Iterator[Stray]:
    for block in source.blocks:
        is_short = block.end - block.start <= LONGEST
        if not is_short or block.place not in _LINES_OF or source.elements[block.element].tag in _HEADINGS:
            continue
        said = source.words_of(block)
        if is_left_over(said) and not any(block.start < b and a < block.end for a, b in seen):
            spot = source.spot(block.start, block.end)
            yield Stray("starter_text", source.path, block.place, spot.start, spot.end, said.strip(), "", 0.75)


def _is_meant(source: Source, start: int, end: int, place: str) -> bool:
    if place in ("hint",):
        return True
    before, after = source.flat[max(0, start - 2) : start], source.flat[end : end + 2]
    quoted = any(one in '“”"«»„‘' for one in before) and any(one in '”“"»«’' for one in after)
    return quoted or source.is_within(source.element_at(start), _OF_PROGRAMS)
