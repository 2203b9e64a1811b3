"""Where a figure or a rule comes from: sections of the method by id, and standards, makers' data and our own choices beside them."""
