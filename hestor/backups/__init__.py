"""Copies of all that is kept, database and pictures as one moment, and the way back."""
