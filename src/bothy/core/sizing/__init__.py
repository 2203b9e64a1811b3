"""Sizing: which set of parts is cheapest, lightest and surest (method trips.sizing)."""
