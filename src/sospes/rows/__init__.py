"""The meaning of values: types, decoding, digests, differences and their explanations."""
