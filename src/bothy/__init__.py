"""Bothy: design, prove and hand over the onboard services of a converted vehicle."""

__version__ = "0.1.0"
