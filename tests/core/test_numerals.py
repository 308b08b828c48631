import json
import subprocess

import pytest
from babel import localedata

from hestor.core import languages, numerals

SCRIPT = """
const said = {};
for (const tag of JSON.parse(process.argv[1]))
  said[tag] = new Intl.NumberFormat(tag, { useGrouping: false }).format(1234567890);
console.log(JSON.stringify(said));
"""


def test_digits_are_those_of_another_implementation():
    """Node's Intl (ICU) reads the same standard: CLDR's default numbering systems."""
    tags = sorted({name.replace("_", "-") for name in localedata.locale_identifiers()} - {"root"})
    answer = subprocess.run(["node", "-e", SCRIPT, json.dumps(tags)], capture_output=True, check=True, text=True)
    theirs = json.loads(answer.stdout)
    # The two come with different versions of CLDR, so a few of the rarest languages may differ.
    differ = [tag for tag in tags if numerals.written(1234567890, tag) != theirs[tag]]
    systems = {tag: languages.numbering_system(tag) for tag in differ}
    assert len(differ) < len(tags) / 40, systems
    for tag in ("ar-EG", "ar-MA", "fa", "ur", "mr", "ne", "bn", "as", "my", "dz", "ckb", "ff-Adlm", "de-CH", "hi"):
        assert tag not in differ


@pytest.mark.parametrize(("tag", "said"), [("ar-EG", "٢٠٢٦–٢٠٢٧"), ("en", "2026–2027"), ("fa", "۲۰۲۶–۲۰۲۷")])
def test_only_digits_are_altered(tag, said):
    assert numerals.written("2026–2027", tag) == said
