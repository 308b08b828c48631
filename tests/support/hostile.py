"""Words that break careless templates: each has to come out as text, everywhere."""

HOSTILE = [
    "<script>alert(1)</script>",
    "</title><b>x</b>",
    "\" onload='x' x=\"",
    "'; DROP TABLE sites; --",
    "</script><!--",
    "]]>&amp;&#60;",
    "{site} {year} {{ 7*7 }} {% raw %}",
    "{",
    "}'{'",
    "*stars* _lines_ [a](/b) `c`",
    "مكتبة البذور",
    "種子図書館",
    "בית הזרעים",
    "👩‍🌾 seeds 🌱",
    "Zoë’s “Café”",
    "e\u0301le\u0300ve",
    "a\u200db",
    "\\n\\u0000",
    "%s %(x)s {0}",
    "𝒮𝑒𝑒𝒹𝓈",
]
