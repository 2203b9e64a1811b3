"""Fit: where everything goes in a measured vehicle, how cables and pipes get there, and what it weighs."""
