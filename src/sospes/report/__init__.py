"""Reports: text for people, JSON for programs. The only rooms that know looks, beside the commands."""
