"""Tables that go back into live databases."""
