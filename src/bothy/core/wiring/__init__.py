"""Wiring: conductors, protection, circuits and the distribution tree (handbook chapter 02)."""
