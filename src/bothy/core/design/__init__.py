"""The design document: one module per stage."""
