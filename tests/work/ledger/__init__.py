"""ledger."""
