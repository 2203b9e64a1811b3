"""Power: loads, storage, inverter and charge sources (handbook chapter 01)."""
