"""Power: loads, storage, inverter and charge sources (the method of power)."""
