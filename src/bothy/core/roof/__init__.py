"""The roof: what fits on it, its shadows, gaskets on ribs, wind, adhesive and its cure."""
