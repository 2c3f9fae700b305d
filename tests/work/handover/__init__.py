"""Side copies in the live name's place."""
