"""Places, and words that name them."""
