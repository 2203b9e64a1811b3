# What facts says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## document
reading-circuit = reading of circuit
pressure-test = pressure test
leak-test = leak test
reading-gas = reading of gas
look-before-trip = look before a trip
entry-log = entry of the log
look-at = look at
closing = closing of
small-thing = small thing
thing-built-otherwise = thing built otherwise
there-twice-every-id = { $what } “{ $one }” is there twice; every id must be unique

## edit
change-either-design-or = change either the design or what was measured (/facts/…), not both in one edit
has-operations-at-most = has { $ops_count } operations; at most { $max_operations } in one edit

## kinds
pressure-test-2 = Pressure test
required-for-test-with = is required for a test with air: the whole volume under test
leak-test-2 = Leak test
holds-at-most-parts = holds at most 100 parts
simulated-value-proves-nothing = a simulated value proves nothing; measure it on the vehicle
required-where-marginal-reading = is required where a marginal reading is accepted: why it is good enough
required-for-waiver-whoever = is required for a waiver: whoever closes it all the same, by name
required-number-licence-whoever = is required: the number of the licence of whoever signed it
give-what-front-and = give what the front and the rear axle weigh; a vehicle weighs something
one-side-cant-weigh = one side can’t weigh more than all of it ({ SHORT($front_kg) } kg)
