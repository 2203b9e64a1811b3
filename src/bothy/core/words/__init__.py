"""How Bothy's sentences reach their reader: in the reader's units, the region's terms, and one way to write numbers."""
