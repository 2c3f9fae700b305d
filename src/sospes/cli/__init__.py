"""The commands: arguments in, one call of the core, one report out."""
