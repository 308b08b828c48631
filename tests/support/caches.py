"""What a process keeps of the databases that it has seen."""


def forget() -> None:
    """Nothing rendered, read or measured is kept any longer."""
    from hestor.pictures import selectors
    from hestor.web import serving

    serving.clear_caches()
    selectors.clear_caches()
