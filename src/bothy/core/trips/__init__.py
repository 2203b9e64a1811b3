"""Trips: one step of the battery, a trip through drawn weathers, and what a log says of it (method trips.itinerary)."""
