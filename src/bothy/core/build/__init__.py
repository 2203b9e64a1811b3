"""Build: tasks, calendar, gates, shopping, log and pace."""
