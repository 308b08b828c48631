"""Words of several languages by which the sweep tells what a passage is about. Which languages: those listed here."""

import regex

_FORMERLY = r"""
formerly|previously|former|used to|traded as|trading as|sold|(?:in|im jahr|im jahre|en|nel|em|عام|سنة) (?:19|20)\d\d|erstwhile|(?:until|till|before|bis|vor|hasta|antes de|jusqu['’]en|avant|fino al|prima del|tot|voor|até|حتى عام|قبل عام|قبل) (?:19|20)\d\d|once known as|known as|used to be|used to call|was called|were called|called ourselves|renamed
then called|at that time called|founded as|started as|began as|opened as|old name|former name|previous name
under the name|changed (?:its|our|the) name|name until|successor|no longer called|became
ehemalige[nrms]?|frühere[nrms]?|früher|ehemals|vormals|einst|damals|hieß|hieße|hiess|hießen|hiessen|nannte|nannten|gegründet als|umbenannt|alter name
unter dem namen|früherer name|frühere name|bekannt als|ursprünglich
antigu[ao]s?|antes llamad[ao]s?|antes conocid[ao]s?|hasta entonces|antiguamente|anteriormente|se llamaba|nos llamábamos|llamábamos|llamada entonces|fundad[ao] como|rebautiza
antiguo nombre|nombre anterior|conocid[ao]s? como|bajo el nombre|pasó a llamarse|se llamó
autrefois|ancien(?:ne)?s?|anciennement|jadis|auparavant|s['’]appelait|s['’]appelaient|nommée? alors|fondée? sous|renommée?|rebaptisée?
ancien nom|connue? sous|sous le nom|précédemment
un tempo|precedentemente|si chiamava|fondat[ao] come|rinominat[ao]|vecchio nome|conosciut[ao] come|in passato
voorheen|vroeger|heette|opgericht als|hernoemd|oude naam|bekend als|destijds
antigamente|chamava-se|chamávamos|fundad[ao] como|renomead[ao]|nome antigo|conhecid[ao] como
السابق|السابقة|سابقا|سابقًا|سابقاً|كان يسمى|كان اسمه|كان اسمها|كنا نسمى|المعروف|كان يعرف|كانت تسمى|الاسم القديم|اسمه القديم|قديما|تأسس|سمي
dawniej|wcześniej|nazywał|پیشتر|سابق|прежде|раньше|ранее|называл
"""
_US = """
write to us|contact us|email us|e-mail us|mail us|reach us|get in touch|our address|our email|call us|phone us|ring us
our number|our phone|give us a call|telephone us|questions to|reach the team|send (?:it|them|your|a message|an email) to
schreiben sie uns|schreib uns|kontaktieren sie uns|erreichen sie uns|unsere adresse|rufen sie uns|ruf uns|unsere nummer
e-mail an|mailen sie|fragen an|melden sie sich|so erreichen|anrufen
escríbanos|escríbenos|contáctenos|contacta con nosotros|contacte con nosotros|póngase en contacto|nuestro correo|llámenos
llámanos|nuestro teléfono|nuestra dirección|escriba a|escribe a|envíe
écrivez-nous|contactez-nous|notre adresse|appelez-nous|notre numéro|nous joindre|nous écrire|nous appeler|écrivez à
scriveteci|scrivici|contattateci|contattaci|chiamateci|chiamaci|il nostro numero|nostro indirizzo
schrijf ons|mail ons|bel ons|neem contact|ons nummer|ons adres
escreva-nos|contacte-nos|ligue-nos|nosso número|nosso endereço
راسلونا|راسلنا|اكتبوا لنا|اكتبوا إلينا|اكتب لنا|اكتب إلينا|تواصلوا معنا|تواصل معنا|اتصلوا بنا|اتصل بنا|بريدنا|هاتفنا|رقمنا
"""
_OPENING = """
opening hours|opening times|open hours|hours|we are open|we're open|are open|is open|open from|open on|open daily|open
öffnungszeiten|geöffnet|offen|wir haben auf|öffnen
horario de apertura|horarios|horario|abierto|abierta|abierto de|abrimos|estamos abiertos
heures d['’]ouverture|horaires|ouverts?|ouvertes?|nous ouvrons
orari di apertura|orario|orari|aperto|aperti|aperta
openingstijden|geopend|open van
horário de funcionamento|horário|aberto|abertos
ساعات العمل|ساعات الدوام|أوقات العمل|مواعيد العمل|مواعيد|نفتح|مفتوح|يفتح
"""


def _any_of(listed: str) -> regex.Pattern[str]:
    # A bar within brackets belongs to its phrase.
    found = (one.strip() for line in listed.splitlines() for one in regex.split(r"\|(?![^(]*\))", line))
    phrases = sorted({one for one in found if one}, key=len)
    joined = "|".join(one.replace(" ", r"\s+") for one in reversed(phrases))
    return regex.compile(rf"(?<![\p{{L}}\p{{M}}])(?:{joined})", regex.IGNORECASE)


FORMERLY = _any_of(_FORMERLY)
"""That something was called so before."""
US = _any_of(_US)
"""That what follows is how the site itself is reached."""
OPENING = _any_of(_OPENING)
"""That times are those at which the site itself is open."""
COUNTED = regex.compile(
    r"(?<![\p{L}])(?:nr|no|n[°ºo]|num|núm|num[ée]ro|número|nummer|number|№|art|artikel|kapitel|chapter|section|abschnitt|§|version|"
    r"v|lote|lot|los|ref|isbn|issn|iban|account|konto|cuenta|compte|order|rechnung|invoice|factura|facture|siret|siren|nif|cif|"
    r"model|modell|modelo|modèle|رقم|قانون|مادة|نسخة)\.?:?[\s\u00a0]*$",
    regex.IGNORECASE,
)
"""That what follows is a number of something, and no date or telephone number."""
LABEL = regex.compile(
    r"[\s\u00a0]*(?:e-?mail|mail|contact|kontakt|contacto|correo(?: electrónico)?|courriel|contatto|contato|post|tel(?:ephone|efon|éfono|éphone|efono|\.)?|"
    r"phone|fon|call|البريد(?: الإلكتروني)?|بريد|هاتف|الهاتف|تلفون|للتواصل|تواصل)[\s\u00a0]*[:：]?[\s\u00a0]*",
    regex.IGNORECASE,
)
"""That a line is nothing but how one is reached."""
_SENTENCE_END = regex.compile(r"[.!?؟…。](?=[\s\0”\"’»)]|$)|[\0;]")


def sentence_before(text: str, at: int, most: int = 200) -> str:
    """What a sentence says before a position, up to ``most`` characters of it."""
    begin = max(0, at - most)
    said = text[begin:at]
    ends = [found.end() for found in _SENTENCE_END.finditer(said)]
    return said[ends[-1] :] if ends else said


def sentence_around(text: str, start: int, end: int, most: int = 200) -> str:
    """The sentence that a stretch of text stands in, up to ``most`` characters on both sides."""
    after = text[end : end + most]
    found = _SENTENCE_END.search(after)
    return sentence_before(text, start, most) + text[start:end] + (after[: found.start()] if found else after)
