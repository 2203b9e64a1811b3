# What forecast says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## standin
stand-in-made-up = stand-in, made up for { $c_name } in { $months }
