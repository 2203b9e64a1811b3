"""Gas: mixtures, consumption, cylinders, pipes, locker, leak test, and cooking without it (the method of gas)."""
