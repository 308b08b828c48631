"""What of a house style is given from one site to others together."""

from hestor.core.facts.bundles import Bundle, bundle_of, facts_of
from hestor.core.facts.document import SPECS


def test_each_fact_is_in_one_bundle_or_stays_with_its_site():
    given = [key for bundle in Bundle for key in facts_of(bundle)]
    assert len(given) == len(set(given))
    stays = {key for key in SPECS if bundle_of(key) is None}
    assert stays == set(SPECS) - set(given)
    assert {"opening_hours", "contact_email", "phone", "legal_name", "notices_email", "added_code"} <= stays


def test_who_a_site_is_goes_with_nothing_else():
    assert set(facts_of(Bundle.IDENTITY)) > {"name", "tagline", "logo", "icon"}
    assert {"brand_colour", "typefaces", "header_arrangement"} < set(facts_of(Bundle.LOOK))
    assert {"language", "time_zone", "date_long", "first_weekday"} < set(facts_of(Bundle.MANNERS))
