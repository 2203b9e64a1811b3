"""Wiring: conductors, protection, circuits and the distribution tree (the method of wiring)."""
