"""survey."""
