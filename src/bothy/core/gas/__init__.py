"""Gas: mixtures, consumption, cylinders, pipes, locker, leak test, and cooking without it (handbook 06)."""
