"""Live values: what each device of a design should say at a moment of the day, whether it does, and when to raise an alarm."""
