"""Import and export of open formats, to and from core types only."""
