"""Plain data that every room shares: findings, entries, events. No input or output happens here."""
