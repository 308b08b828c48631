"""PostgreSQL, for installations with thousands of sites, or more than one application host (docs/deploy.md)."""
