"""Sun: its place, clear and cloudy skies, what a panel gives, and weathers drawn by chance (handbook chapter 03, sections 3.1 to 3.12)."""
