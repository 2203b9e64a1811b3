# What catalogue says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## climates
january = January
february = February
march = March
april = April
may = May
june = June
july = July
august = August
september = September
october = October
november = November
december = December
not-place-in-climate = “{ $place }” is not a place in the climate table; choose one from the list

## openings
two-corners-dont-go = two corners of { SHORT($radius_mm) } mm don’t go into { SHORT($cut_mm) } mm
less-than-clamp = is less than the thinnest wall that it clamps (clamp_min_mm: { SHORT($low) })

## parts
catalogue-has-no-part = the catalogue has no part “{ $key }”

## table
line-column = { $table }, line { $line }, column “{ $column }”: { $what }
missing = is missing
not-number = “{ $text }” is not a number
there-twice = “{ $name }” is there twice
empty = is empty

## things
length-width-and-height = length, width and height must be more than 0
names-at-least-one = names at least one face that may point up
