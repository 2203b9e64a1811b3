"""Proving: expected readings and their judgement (handbook chapter 09)."""
