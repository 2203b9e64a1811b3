# What calculators says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## __init__
not-calculator-names = '{ $name }' is not a calculator; the names are { $calculators }
