"""Proving: expected readings and their judgement (the method of prove)."""
