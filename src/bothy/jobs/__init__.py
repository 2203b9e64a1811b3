"""Long work: runs beside the requests, says how far it is, can be cancelled, and leaves its result in the database."""
