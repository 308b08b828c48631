"""What happens later, or by itself: rows in the database, taken up one after the other (docs/decisions/0044)."""
