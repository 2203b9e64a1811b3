"""Hand over: the vehicle’s book, papers and maintenance."""
