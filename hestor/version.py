"""Which version this is; ``pyproject.toml`` says the same."""

VERSION = "0.8.0"
