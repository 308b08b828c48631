"""How wide titles are said to be, against how wide a browser sets them."""

import pytest

from hestor.core.text import widths

TITLES = [
    "Quillmere Seed Library – Borrow in spring, return in autumn", "iiiiiiiiiiiiiiii", "WWWWWWWWWWWW", "Öffnungszeiten",
    "Часы работы библиотеки", "Ώρες λειτουργίας", "0123456789 & Co. (2026)", "“Quoted” … and so on",
]  # fmt: skip


@pytest.mark.parametrize("title", TITLES)
def test_a_browser_agrees_to_a_few_parts_in_a_hundred(browser, title):
    page = browser.new_page()
    measured = page.evaluate(
        "text => { const c = document.createElement('canvas').getContext('2d');"
        " c.font = '20px \"Liberation Sans\"'; c.fontKerning = 'none'; return c.measureText(text).width; }",
        title,
    )
    page.close()
    assert widths.width(title, 20) == pytest.approx(measured, rel=0.02)
