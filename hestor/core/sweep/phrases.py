"""Words of several languages by which the sweep tells what a passage is about. Which languages: those listed here."""

import regex

_FORMERLY = r"""
formerly|previously|former|used to|traded as|trading as|sold|erstwhile|once known as|known as|used to be|used to call|was called|were called|called ourselves|renamed
then called|at that time called|founded as|started as|began as|opened as|old name|former name|previous name
under the name|changed (?:its|our|the) name|name until|successor|no longer called|became|by the name of
started out as|began life as|went by|grew out of|came out of|born (?:as|out of)|then known|were known|predecessor|our first name|earlier name
our name was|turned into|when we were still|dropped the name|gave up the name|took the name|named then|in those (?:days|years)|at that point|is history
ehemalige[nrms]?|frühere[nrms]?|früher|ehemals|vormals|einst|damals|hieß|hieße|hiess|hießen|hiessen|nannte|nannten|gegründet als|umbenannt|alter name
hervorgegangen|entstanden? aus|aus (?:dem|der|den|unserem) [^.!?;\0]{2,80} (?:wurden?|entstand|ging)|gegründet [^.!?;\0]{0,60}\bals|gestartet als|begann(?:en)? als|vorgänger(?:in)?|seinerzeit
trug(?:en)? (?:wir |er |sie )?den namen|alten namens?|zuvor noch|anfangs noch|noch als|in jenen jahren|zu jener zeit|ist (?:\S+ ){0,3}geschichte
unter dem namen|früherer name|frühere name|bekannt als|ursprünglich
antigu[ao]s?|antes llamad[ao]s?|antes conocid[ao]s?|hasta entonces|antiguamente|anteriormente|se llamaba|nos llamábamos|llamábamos|llamada entonces|fundad[ao] como|rebautiza
nació (?:del?|como)|surgió del?|antes (?:éramos|era|eran|fuimos|fue)|en su día|comenzó como|empezó como|empezamos como|con el nombre de|predecesora?
éramos entonces|en aquellos años|dejó de llamarse|cambió de nombre|cambiamos de nombre
antiguo nombre|nombre anterior|conocid[ao]s? como|bajo el nombre|pasó a llamarse|se llamó
autrefois|ancien(?:ne)?s?|anciennement|jadis|auparavant|s['’]appelait|s['’]appelaient|nous appelions|en ces années|nommée? alors|fondée? sous|renommée?|rebaptisée?
née? (?:du|de la|de l['’]|des|comme)|issue? (?:du|de la|de l['’]|des)|à l['’]origine|à l['’]époque|a commencé comme|l['’]ex-|devenue?s?|avant de devenir
portait le nom|portaient le nom|changé de nom|prédécesseur|premier nom
ancien nom|connue? sous|sous le nom|précédemment
nat[ao] (?:dal|dalla|come)|cambiato nome|un tempo|precedentemente|si chiamava|fondat[ao] come|rinominat[ao]|vecchio nome|conosciut[ao] come|in passato
ontstaan uit|begonnen als|voorganger|voorheen|vroeger|heette|opgericht als|hernoemd|oude naam|bekend als|destijds
nasceu d[oae]|começou como|mudou de nome|antigamente|chamava-se|chamávamos|fundad[ao] como|renomead[ao]|nome antigo|conhecid[ao] como
السابق|السابقة|سابقا|سابقًا|سابقاً|كان يسمى|كان اسمه|كان اسمها|كنا نسمى|المعروف|كان يعرف|كانت تسمى|الاسم القديم|اسمه القديم|اسمها القديم|اسمنا القديم|اسمنا السابق|الاسم السابق|بدأنا باسم|بدأت باسم|تأسست باسم|غيرنا اسمنا|أصبح اسمها|أصبح اسمنا|تحول إلى|تحولت إلى|قديما|تأسس|سمي
dawniej|wcześniej|nazywał|پیشتر|سابق|прежде|раньше|ранее|называл
"""
_GONE = r"""
no longer|not any ?more|out of service|out of use|stopped using|do not use|don['’]t use|is gone|(?:old|earlier|last) (?:e-?mail )?(?:address|mailbox|number|phone)
gibt es nicht mehr|nicht mehr|abgeschaltet|abgeschafft|alte[nrs]? (?:e-?mail-?)?(?:adresse|nummer|telefonnummer|mailadresse)|ungültig
ya no|dejamos de usar|hemos dejado|dada? de baja|fuera de servicio
ne (?:marche|marchent|fonctionne|répond|sert|servent|mène) plus|n['’](?:est|existe|utilisons) plus|hors service
non (?:è|funziona|esiste|usiamo) più|vecchi[oa] (?:indirizzo|numero)|niet meer|oude? (?:adres|nummer)|já não|fora de serviço
لم يعد|لم تعد|لا يعمل|خارج الخدمة|القديم|القديمة
"""
_US = r"""
(?:call|phone|ring|text|e-?mail|mail|contact|reach|message|write to|write) us|(?:schreib|ruf|kontaktier|erreich|mail|meld)\p{L}* (?:\p{L}+ )?(?:bei )?uns
(?:ll[aá]m|escr[ií]b|contact|localiz|encu[eé]ntr)\p{L}*nos|(?:appel|écri|contact|joign|envoy|téléphon)\p{L}*-nous|nous (?:contacter|téléphoner)
(?:scriv|chiam|contatt)\p{L}*ci|(?:escrev|contact|lig)\p{L}*-nos
our whatsapp|reach the desk|our landline|our mobile
get in touch|our address|our email
our number|our phone|give us a call|telephone us|questions to|reach the team|send (?:it|them|your|a message|an email) to
unsere adresse|unsere nummer|unsere telefonnummer|telefonisch erreichen|meldet euch
e-mail an|mailen sie|fragen an|melden sie sich|so erreichen|anrufen
contáctenos|contacta con nosotros|contacte con nosotros|póngase en contacto|nuestro correo
nuestro teléfono|nuestra dirección|escriba a|escribe a|envíe
notre adresse|téléphonez au|notre numéro|notre téléphone|nous joindre|nous écrire|nous appeler|écrivez à
il nostro numero|nostro indirizzo
schrijf ons|mail ons|bel ons|neem contact|ons nummer|ons adres
nosso número|nosso endereço
راسلونا|راسلنا|اكتبوا لنا|اكتبوا إلينا|اكتب لنا|اكتب إلينا|تواصلوا معنا|تواصل معنا|اتصلوا بنا|اتصل بنا|بريدنا|هاتفنا|رقمنا
"""
_OPENING = """
opening hours|opening times|open hours|hours|we are open|we're open|are open|is open|open from|open on|open daily|open
öffnungszeiten|geöffnet|offen|wir haben auf|öffnen|öffnet
horario de apertura|horarios|horario|abierto|abierta|abierto de|abrimos|abren?|abrirá|estamos abiertos
heures d['’]ouverture|horaires|ouverts?|ouvertes?|nous ouvrons|ouvre|ouvrent
orari di apertura|orario|orari|aperto|aperti|aperta|apre|aprono|apriamo
openingstijden|geopend|open van|opent
horário de funcionamento|horário|aberto|abertos
ساعات العمل|ساعات الدوام|أوقات العمل|مواعيد العمل|مواعيد|نفتح|مفتوح|يفتح
"""
# Whose times are not those of the site being open; a star stands for any ending.
_OTHERS = r"""
workshop*|class|classes|course|courses|meeting*|meets|talk|talks|swap|swaps|market|markets|concert*|lesson*|session*|event|events|exam|exams
bus|buses|train|trains|rehears*|choir|quiet hours|happy hour|next door|across the street|across the road|opposite|nearby|neighbour*|neighbor*
post office|town hall|city hall|council*|police|court|embassy|railway station|bus station|church|school|bank|pharmacy|doctor*|ferry
kurs|kurse|\p{L}+kurs|\p{L}+treffen|treffen|vortrag*|markt|\p{L}+markt|konzert*|tausch*|führung*|chor|probe|probt|sprechstunde*|ruhezeit*|nebenan|gegenüber
nachbar*|amt|\p{L}+amt|rathaus|gemeinde*|kirche|schule|sparkasse|apotheke|bahnhof|die post|fähre
taller|talleres|reunión|reuniones|mercado*|mercadillo|concierto*|curso*|charla*|intercambio*|clase|clases|coro|ensay*|visita guiada
ayuntamiento|correos|policía|iglesia|escuela|colegio|farmacia|estación|juzgado|de al lado|de enfrente|vecino|vecina|autobús
atelier*|marché*|réunion*|cours|concert*|échange*|séance*|stage|stages|chorale|répétition*|mairie|préfecture|la poste|gendarmerie|école|église
pharmacie|gare|d['’]à côté|d['’]en face|voisin|voisine|voisins
corso|corsi|mercato|mercati|riunione|riunioni|lezione|lezioni|coro|municipio|chiesa|scuola|farmacia|di fronte|accanto
cursus|les|lessen|vergadering|gemeentehuis|postkantoor|kerk|naast ons|aula|aulas|feira|câmara|correios|igreja|escola
ورشة|الورشة|سوق|السوق|اجتماع|الاجتماع|دورة|الدورة|لقاء|اللقاء|حفل|درس|الدرس|البلدية|المدرسة|المسجد|الصيدلية|المصرف|الشرطة
"""
# What people call the house that a site is about, where they don't say its name.
HOUSES = frozenset(
    "library shop store office desk house door doors counter café cafe studio gallery museum garden kitchen bar restaurant hall place "
    "club team building showroom room rooms society association bibliothek bücherei laden geschäft büro haus tür türen café werkstatt "
    "theke tresen ausleihe verein museum garten galerie gasthaus praxis raum bibliothèque boutique magasin bureau maison porte portes local "
    "comptoir musée jardin association accueil permanence médiathèque biblioteca tienda oficina casa puerta puertas local mostrador museo "
    "huerto sede asociación negozio ufficio porta giardino associazione winkel kantoor huis deur bibliotheek tuin loja escritório jardim".split()
)
"""Words for the house itself, in small letters."""


def _any_of(listed: str, behind: str = "") -> regex.Pattern[str]:
    # A bar within brackets belongs to its phrase.
    found = (word.strip() for line in listed.splitlines() for word in regex.findall(r"(?:[^|(]++|\([^()]*+\))++", line))
    phrases = sorted({one for one in found if one}, key=len)
    joined = "|".join(phrase.replace(" ", r"\s+") for phrase in reversed(phrases))
    return regex.compile(rf"(?<![\p{{L}}\p{{M}}])(?:{joined}){behind}", regex.IGNORECASE)


FORMERLY = _any_of(_FORMERLY)
"""That something was called so before."""
_OF_A_YEAR = regex.compile(
    r"(?:(?<![\p{L}])(?:in|im jahre?|en|nel|em|until|till|before|bis|vor|hasta|antes de|jusqu['’]en|avant|fino al|prima del|tot|voor|até|"
    r"عام|سنة|قبل)[\s\u00a0]+|^[\s\0]*)(?P<year>(?:19|20)\d\d)(?!\d)",
    regex.IGNORECASE,
)
# What stands right before a name that is spoken of, and not used.
_SPOKEN_OF = regex.compile(
    r"(?<![\p{L}])(?:(?:the|our) name|old|one-time|(?:der|den|dem|des|unser) namen?s?|alte[nrs]?|(?:le|notre) nom|vieux|vieille|"
    r"(?:el|nuestro) nombre|viej[oa]|(?:il|nostro) nome|vecchi[oa]|de naam|oude|o nome|velh[oa])[\s\u00a0]+"
    r"(?:(?:of|von|vom|de|du|del|di|da|do|the)[\s\u00a0]+)?[“”\"«„‘']?[\s\u00a0]*$",
    regex.IGNORECASE,
)
ANY_YEAR = 9_999


def is_history(sentence: str, before: str, year: int = ANY_YEAR) -> bool:
    """Whether a sentence tells how something was called before a year; ``before`` is what it says up to the name."""
    if FORMERLY.search(sentence) or _SPOKEN_OF.search(before):
        return True
    return any(int(match["year"]) < year for match in _OF_A_YEAR.finditer(sentence))


GONE = _any_of(_GONE)
"""That an address or number is not used any more."""
US = _any_of(_US)
"""That what follows is how the site itself is reached."""
OPENING = _any_of(_OPENING)
"""That times are those at which the site itself is open."""
OTHERS = _any_of(_OTHERS.replace("*", r"\p{L}*"), r"(?![\p{L}\p{M}])")
"""That times are somebody else's, or of something that takes place."""
COUNTED = regex.compile(
    r"(?<![\p{L}])(?:nr|no|n[°ºo]|num|núm|num[ée]ro|número|nummer|number|№|art|artikel|kapitel|chapter|section|abschnitt|§|version|"
    r"v|lote|lot|los|ref|isbn|issn|iban|account|konto|cuenta|compte|order|rechnung|invoice|factura|facture|siret|siren|nif|cif|"
    r"(?:kunden|konto|mitglieds?|rechnungs|bestell|artikel|steuer|serien|modell|inventar|haus)nummer|"
    r"(?:customer|member(?:ship)?|account|order|invoice|serial|part|model) (?:no|number|id)|"
    r"model|modell|modelo|modèle|رقم|قانون|مادة|نسخة)\.?:?[\s\u00a0]*$",
    regex.IGNORECASE,
)
"""That what follows is a number of something, and no date or telephone number."""
LABEL = regex.compile(
    r"[\s\u00a0]*(?:e-?mail|mail|contact|kontakt|contacto|correo(?: electrónico)?|courriel|contatto|contato|post|t[ée]l(?:ephone|efon|efoon|éfono|éphone|efono|\.)?|"
    r"mobile?|phone|fon|call|whatsapp|☎|📞|البريد(?: الإلكتروني)?|بريد|هاتف|الهاتف|تلفون|للتواصل|تواصل)[\s\u00a0]*[:：]?[\s\u00a0]*",
    regex.IGNORECASE,
)
"""That a line is nothing but how one is reached."""
# A full stop behind such a word, before a number or a small letter, shortens it: Tel. 0421, Sat. 9 a.m. to noon.
_SHORTENED = (
    r"(?:\p{L}{1,2}|t[ée]l|tfno|ext|num|mon|tues?|wed|thu(?:rs?)?|fri|sat|sun|jan|feb|mar|apr|jun|jul|aug|sept?|oct|nov|dec|"
    r"lun|mer|jeu|ven|sam|dim|mié|jue|vie|sáb|dom|vgl|bzw|inkl|approx)"
)
_SENTENCE_END = regex.compile(
    rf"(?:(?<!(?<!\p{{L}})(?i:{_SHORTENED}))\.|\.(?![\s\u00a0(+:]+[\p{{Nd}}\p{{Ll}}])|[!?؟…。])(?=[\s\0”\"’»)]|$)|[\0;]"
)


def sentence_before(text: str, at: int, most: int = 200) -> str:
    """What a sentence says before a position, up to ``most`` characters of it."""
    begin = max(0, at - most)
    # What follows tells, too, whether a full stop ends a sentence.
    ends = [match.end() for match in _SENTENCE_END.finditer(text[begin : at + 4]) if match.end() <= at - begin]
    return text[begin + ends[-1] : at] if ends else text[begin:at]


def sentence_around(text: str, start: int, end: int, most: int = 200) -> str:
    """The sentence that a stretch of text stands in, up to ``most`` characters on both sides."""
    match = _SENTENCE_END.search(text, end, end + most)
    stop = match.start() if match else min(len(text), end + most)
    return sentence_before(text, start, most) + text[start:stop]
