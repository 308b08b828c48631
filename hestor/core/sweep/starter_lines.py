"""Lines that say nothing but that something is to come, or what is to be written in their place.

Whole lines only: within a sentence the same words may be meant.
"""

from functools import lru_cache

import regex

LONGEST = 90
"""What is longer is read as a sentence."""
_END = r"[\s\u00a0.…!:]*"
_PAGE = r"(?:web ?site|web ?page|page|site|section|web|seite|webseite|website|homepage|rubrik|bereich|rubrique|página|sitio|sección|pagina|sito|sezione|secção|الصفحة|الموقع|القسم|صفحة)"
_THIS = r"(?:the|this|our|die|diese[rs]?|unsere?|dieser|cette|ce|la|le|notre|esta|este|el|nuestr[ao]|questa|questo|il|deze|onze|a|o|هذه|هذا)"
_IS = r"(?:is|are|ist|sind|befindet sich|est|sont|está|están|è|sono)"
_YET = r"(?:still|currently|now|noch|derzeit|gerade|zurzeit|aktuell|encore|actuellement|todavía|aún|actualmente|ancora|attualmente|nog|momenteel|ainda)"
_BUILDING = r"(?:under construction|in progress|being (?:built|written|updated)|im aufbau|in arbeit|in bearbeitung|en construction|en travaux|en cours de (?:construction|rédaction|réalisation)|en construcción|en obras|in costruzione|in allestimento|in aanbouw|em construção|قيد الإنشاء|قيد الإعداد|تحت الإنشاء)"
_MATTER = r"(?:information|info|informations?|content|text|texts|details?|photos?|pictures?|images?|news|inhalte?|texte?|fotos?|bilder|weitere informationen|infos|contenus?|texte|contenido|texto|información|contenuto|testo|inhoud|tekst|conteúdo|المحتوى|النص|المزيد)"
_MORE = r"(?:more|further|weitere[rs]?|mehr|plus de?|más|altre?|meer|mais)"
_COMING = (
    r"(?:coming (?:very )?soon|to follow|to come|to be (?:added|announced|completed|continued)|follows?(?: (?:soon|shortly))?|(?:folgt|folgen|kommt)(?: (?:in kürze|bald|demnächst|noch|später))?|"
    r"in kürze|demnächst(?: (?:hier|mehr))?|bald(?: hier)? mehr|mehr (?:in kürze|demnächst|bald)|à (?:venir|compléter|définir|suivre)|bientôt(?: (?:disponible|en ligne|ici))?|suit bientôt|"
    r"próximamente|muy pronto|en breve|pendiente|por (?:completar|definir|hacer)|prossimamente|a breve|in arrivo|da completare|binnenkort(?: meer)?|volgt(?: binnenkort)?|em breve|a definir|"
    r"قريبا|قريبًا|قريباً|سيضاف المحتوى قريبا|يتبع)"
)
_NOUN = (
    r"(?:texts?|words|titles?|headings?|headlines?|sub-?titles?|sub-?headings?|contents?|descriptions?|captions?|paragraphs?|taglines?|slogans?|names?|address|e-?mail(?: address)?|phone number|logos?|images?|pictures?|photos?|story|copy|summary|"
    r"titel|überschrift|untertitel|inhalte?|beschreibung|absatz|namen?|adresse|bild|foto|firmennamen?|"
    r"textes?|titres?|sous-titres?|contenus?|légende|paragraphe|nom|photo|accroche|présentation|"
    r"textos?|títulos?|subtítulos?|contenidos?|descripción|párrafo|nombre|dirección|correo|foto|imagen|lema|eslogan|logotipo|"
    r"testo|titolo|contenuto|descrizione|nome|immagine|tekst|inhoud|beschrijving|naam|afbeelding|texto|título|conteúdo|descrição|imagem|"
    r"نصك|النص|نصا|نص|عنوانك|العنوان|عنوانا|المحتوى|الوصف|وصفك|وصفا|اسمك|الاسم|شعارك|الشعار|الصورة|صورة)"
)
_OWN = r"(?:your|a|an|the|some|this|own|short|brief|new|more|ihren?|ihr|deinen?|dein|einen?|ein|den|die|das|etwas|eigenen?|kurze|votre|vos|un|une|le|la|du|courte?|brève|su|tu|un|una|el|algún|breve|propio|il tuo|il|lo|una|uw|je|jouw|een|o seu|seu|sua|o|um|uma)"
_HERE = r"(?:here|in here|below|hier|hierher|ici|aquí|qui|aqui|هنا)"
_PUT = r"(?:insert|add|enter|type|put|write|place|paste|describe|edit|change|replace|fügen sie|füge|schreiben sie|schreibe?|geben sie|gib|tragen sie|insérez|écrivez|saisissez|ajoutez|entrez|tapez|modifiez|escriba|escribe|inserte|inserta|añada|añade|introduzca|ponga|pon|edite|edita|inserisci|inserire|scrivi|aggiungi|voeg|typ|schrijf|insira|escreva|adicione|edite|اكتب|أدخل|ادخل|أضف|ضع|اكتبوا|أدخلوا)"
_PRESS = r"(?:(?:double[- ]?)?click|tap|press|klicken sie|klicke?|tippen sie|hier klicken|hier tippen|cliquez|appuyez|haga (?:doble )?clic|haz (?:doble )?clic|pulse|pulsa|fai clic|clicca|klik|clique|انقر|اضغط)"
_SO_AS = r"(?:to|and|um|pour|et|para|y|per|om|e|ل)"
_LINES = (
    rf"(?:{_THIS} )?(?:{_PAGE} )?(?:{_IS} )?(?:{_YET} )?{_BUILDING}",
    rf"(?:{_MORE} )?(?:{_MATTER} )?(?:{_IS} |will be )?(?:{_YET} )?{_COMING}",
    r"placeholder|sample|platzhalter|muster",
    rf"{_PUT} (?:{_HERE} )?(?:{_OWN} ){{0,3}}{_NOUN}(?: {_HERE})?(?: ein| an| in)?",
    rf"{_OWN} {_NOUN} (?:(?:goes|comes|kommt|steht|vient|va|komt|vai) )?{_HERE}",
    rf"{_NOUN} (?:(?:goes|comes|kommt|steht|hier|vient|va) )?{_HERE}(?: (?:einfügen|eingeben|eintragen|hochladen))?",
    rf"(?:this is {_OWN} {_NOUN}[.,:]? )?{_PRESS}(?: {_HERE})?,?(?: {_SO_AS} [^.!?\0]{{3,60}})?",
)
_LINE = regex.compile(
    rf"[\s\u00a0]*(?:{'|'.join(f'(?:{each_line})' for each_line in _LINES)}){_END}".replace(" ", r"[\s\u00a0]+"),
    regex.IGNORECASE,
)
# What pressing does to a start: it lets words be written. Elsewhere lines say what else pressing does.
_CHANGED = (
    r"(?:edit|change|add|write|enter|replace|bearbeiten|ändern|(?:ein|hinzu)(?:zu)?(?:geben|fügen)|modifier|éditer|changer|ajouter|"
    r"editar|cambiar|añadir|modificar|modificare|aggiungere|bewerken|adicionar|تعديل|تحرير|إضافة)"
)
_FOR_WORDS = regex.compile(
    rf"(?<![\p{{L}}]){_CHANGED}(?: (?:it|this|me))?{_END}$|\A(?=.*(?<![\p{{L}}]){_CHANGED}(?![\p{{L}}])).*(?<![\p{{L}}]){_NOUN}(?![\p{{L}}])",
    regex.IGNORECASE,
)
_PRESSED = regex.compile(rf"(?<![\p{{L}}]){_PRESS}(?![\p{{L}}])".replace(" ", r"[\s\u00a0]+"), regex.IGNORECASE)


@lru_cache(maxsize=32_768)
def _can_begin(word: str) -> bool:
    return bool(_LINE.fullmatch(word, partial=True))


def is_left_over(line: str) -> bool:
    """Whether a line says only that something is to come, or to be written, in one of several languages."""
    if len(line) > LONGEST:
        return False
    # Its first word tells of nearly every line that it is none.
    begun = line.split(None, 1)
    return bool(begun) and _can_begin(begun[0]) and _is_left_over(line)


@lru_cache(maxsize=8192)
def _is_left_over(line: str) -> bool:
    if not _LINE.fullmatch(line):
        return False
    return not _PRESSED.search(line) or bool(_FOR_WORDS.search(line))
