"""Keeps Bothy running on one machine: its own MariaDB, the server, and what starts again when it was killed."""
