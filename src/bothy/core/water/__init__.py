"""Water: tanks, pressure side, hot water, waste, care and frost (the method of water)."""
