"""Commissioning: the steps that a design asks for, what opens and shuts them, and what was recorded of each."""
