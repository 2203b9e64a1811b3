"""Warmth and air: the shell's heat and damp, heaters, ducts and coolant loops, ventilation, cooling (the method of warmth)."""
