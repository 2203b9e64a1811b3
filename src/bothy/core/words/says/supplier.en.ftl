# What supplier says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## standin
stand-in-made-up = Stand-in, made-up prices
