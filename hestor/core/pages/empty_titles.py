"""Titles that say nothing of a page to somebody who is not there yet, in the languages that pages speak."""

import unicodedata

_SAYING_NOTHING = """
home|home page|homepage|welcome|start|start page|untitled|new page|page|page title
index|main|main page|title|site|website|document|untitled document|test|default|default page|index.html|new tab|no title|my page|my site|blank page|blank|empty page|untitled page|unnamed
startseite|willkommen|ohne titel|neue seite|seite|hauptseite|titel|dokument|unbenannt|unbenanntes dokument|neues dokument|unbenannte seite|webseite|meine seite|leere seite|seite ohne titel
inicio|página de inicio|bienvenidos|bienvenido|sin título|página nueva|nueva página|nuevo documento|página|página principal|título|documento|sin nombre|documento sin título|página sin título|mi página|página en blanco
accueil|page d’accueil|page d'accueil|bienvenue|sans titre|nouvelle page|page|titre|document|document sans titre|document sans nom|sans nom|page sans titre|ma page|page vierge|nouveau document
pagina iniziale|benvenuti|senza titolo|documento senza titolo|nuovo documento|nuova pagina|pagina|titolo
startpagina|welkom|zonder titel|naamloos|naamloos document|nieuwe pagina|voorpagina
início|página inicial|bem-vindo|bem-vindos|sem título|documento sem título|nova página
strona główna|witamy|bez tytułu|dokument bez tytułu|nowa strona|strona|tytuł
главная|главная страница|добро пожаловать|без названия|новая страница|страница
ana sayfa|hoş geldiniz|adsız|başlıksız|yeni sayfa|sayfa
αρχική|αρχική σελίδα|καλώς ήρθατε|χωρίς τίτλο|νέα σελίδα|σελίδα
الرئيسية|الصفحة الرئيسية|أهلا وسهلا|مرحبا|بدون عنوان|صفحة جديدة|صفحة|صفحة بدون عنوان|مستند|عنوان|العنوان|عنوان الصفحة
דף הבית|בית|ברוכים הבאים|ללא כותרת|דף חדש|דף
خانه|صفحه اصلی|صفحهٔ اصلی|خوش آمدید|بدون عنوان|صفحه جدید|صفحه
होम|मुखपृष्ठ|स्वागत है|शीर्षक रहित|नया पृष्ठ|पृष्ठ
ホーム|トップページ|ようこそ|無題|新しいページ|ページ
"""
_EACH = (part.strip() for line in _SAYING_NOTHING.splitlines() for part in line.split("|"))
_KNOWN = frozenset(unicodedata.normalize("NFC", one).casefold() for one in _EACH if one)


def says_nothing(title: str) -> bool:
    """Whether a title, without marks around it and a number behind it, is one of those."""
    words = title.strip().strip(" .!?–—-|:…0123456789").casefold()
    return words in _KNOWN or not any(letter.isalpha() for letter in title)
