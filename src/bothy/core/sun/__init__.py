"""Sun: its place, clear and cloudy skies, what a panel gives, and weathers drawn by chance (method trips.sun-position)."""
