from hestor.core.text.ordering import counted


def test_names_stand_in_the_order_that_people_count_in():
    names = ["Site 10", "site 2", "Site 1", "Zoo", "apple", "Site", "10 Downing", "9 Downing", "Élan", "٣ حديقة"]
    assert sorted(names, key=counted)[:4] == ["9 Downing", "10 Downing", "apple", "Site"]
    assert [name for name in sorted(names, key=counted) if name.lower().startswith("site ")] == [
        "Site 1",
        "site 2",
        "Site 10",
    ]
