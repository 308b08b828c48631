"""Which elements are a page's landmarks (HTML-AAM 1.0, WAI-ARIA 1.2): its header, menu, main part and footer."""

ROLES = {"banner": "header", "contentinfo": "footer", "navigation": "menu", "main": "main"}
"""What a role makes of an element."""
TAGS = {"header": "header", "footer": "footer", "nav": "menu"}
"""What an element is by itself."""
SECTIONS = frozenset("article aside main nav section blockquote figure details".split())
"""Within these a header or a footer is not the page's own."""
