"""The API: one thin router per resource; no rules of the job in it."""
