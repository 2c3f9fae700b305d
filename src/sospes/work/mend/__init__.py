"""Statements that bring lost or changed rows and objects back."""
