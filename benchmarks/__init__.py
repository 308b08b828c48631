"""Figures that the product must reach, measured: `make bench`."""
