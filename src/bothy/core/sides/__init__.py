"""Openings of sides, rear and floor: what is cut where, what lies there, and its template."""
