"""Seen to be well: an id for each request, what was slow, figures for a monitor, and whether the server can work."""
