"""Writing to the draft of the site ``seeds`` as the desk does, each time from its newest revision."""


def revision(client) -> str:
    return str(client.get("/api/sites/seeds/style").json()["revision"])


def say(client, **facts):
    return client.patch(
        "/api/sites/seeds/style", {"facts": facts}, "application/json", headers={"If-Match": revision(client)}
    )


def write(client, page, **fields):
    return client.patch(
        f"/api/sites/seeds/pages/{page}", fields, "application/json", headers={"If-Match": revision(client)}
    )
