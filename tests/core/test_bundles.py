"""What of a house style is given from one site to others together."""

from hestor.core.facts.bundles import Bundle, bundle_of, facts_of, told_to_several
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


def test_several_sites_are_told_no_more_than_they_may_have_in_common():
    assert {"contact_email", "phone", "legal_name", "footer_text"} <= set(told_to_several())
    assert not {"name", "short_name", "tagline", "description", "notices_email"} & set(told_to_several())
