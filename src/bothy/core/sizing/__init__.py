"""Sizing: which set of parts is cheapest, lightest and surest (handbook chapter 03, section 3.20)."""
