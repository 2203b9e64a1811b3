"""Demo projects, made up for Bothy."""
