"""PostgreSQL for who keeps thousands of sites, or more than one application host (docs/deploy.md)."""
