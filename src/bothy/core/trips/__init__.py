"""Trips: one step of the battery, a trip through drawn weathers, and what a log says of it (handbook chapter 03, sections 3.14 to 3.23)."""
