"""Comparing rows and objects of two sides."""
