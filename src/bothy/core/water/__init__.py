"""Water: tanks, pressure side, hot water, waste, care and frost (handbook 05)."""
