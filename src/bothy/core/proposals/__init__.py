"""Proposals: what Bothy would fit, with why and what it assumed. They never overwrite what was typed."""
