"""What was measured, tested and looked at: facts of a vehicle, kept apart from the plans for it."""
