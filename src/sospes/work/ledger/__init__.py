"""The record of what was proven: which bytes, which rung, when, how long it took, and what is unusual."""
