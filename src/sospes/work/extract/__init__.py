"""Taking single tables out of a backup."""
