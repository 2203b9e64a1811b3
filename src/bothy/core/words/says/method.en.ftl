# What method says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## sources
makers = the maker’s { $what }
data-sheet = data sheet
