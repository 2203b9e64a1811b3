"""Finding faults: the circuit of the design with each fault in it, symptoms with their causes, the next best test, and practice with hidden faults."""
