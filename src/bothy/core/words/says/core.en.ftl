# What core says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## cited
as-typed = as typed

## daily_use
first-step-line = First step: its line in “Daily use”
no-line-stands-for = No line of “Daily use” stands for it, so that its energy isn’t counted and no circuit and no fuse is planned for it.
which-line-stands-for = No line of “Daily use” is named for it: is it one that stands there, or is it not counted yet?
is-that-line = It is “{ $line }”
is-another-line = It isn’t there yet: enter it

## comparing
need-covered-in-leanest = need covered in the leanest season
heat-that-cold-night = heat that the cold night takes
fresh-water = fresh water
water = days of water
gas = days of gas
known-mass = known mass
heaviest-loading = heaviest loading
dangers = dangers
problems = problems
bank = battery bank
panels = solar panels
inverter = inverter
how-many-circuits = circuits
yes = yes
no = no
parts-catalogue-not-owned = parts of the catalogue, not owned yet
steps-proved = steps proved
steps-to-prove = of steps to prove

## context
payload = payload
inside-in-warm = inside, in the warm
inside-unheated = inside, unheated
in-garage = in the garage
under-floor = under the floor
in-engine-space = in the engine space
typical = typical of a { $p_name }
inside-length = inside length
inside-width = inside width
inside-height = inside height
vehicles-own-voltage = vehicle’s own voltage
alternators-label = alternator’s label
smart-alternator = smart alternator
place-bank = place of the bank
cautious-guess-until-you = the cautious guess until you enter where it stands
two-until-you-enter = two, until you enter it
nights-between-hook-ups = nights between hook-ups
three-until-you-enter = three, until you enter it
town-region-until-you = a town of the region, until you enter where
first-month = first month
all-year-until-you = all year, until you enter them
last-month = last month
driving-per = driving per day
half-hour-until-you = half an hour a day, until you enter it
warm-by = warm by day
usual-while-awake = usual while awake
warm-by-night = warm at night
usual-while-asleep = usual while asleep
coldest-to-design-for = coldest to design for
under-coldest-months-mean = 6 K under the coldest month’s mean minimum in { $coldest_name }
hottest-to-design-for = hottest to design for
over-hottest-planned-months = 5 K over the hottest planned month’s mean maximum in { $hottest_name }
air-that-leaks = air that leaks
closed-with-breeze-or = closed, with a breeze or fixed vents; method warmth.design-conditions
approximate-normals = { $where_name }, { $months }; approximate averages
coldest-night = Coldest night
mean-minimum = mean minimum − 6 K
record-cold = Record cold
mean-minimum-2 = mean minimum − 14 K
coldest-cells = Coldest cells
kept-at-or-more = kept at 10 °C or more by the heating
typical-2 = { $where }; typical
coldest-night-what-place = coldest night + what its place gives

## contract
must-be-above-and = must be beyond where it begins ({ $axis }0_m): it is { SHORT($high_m) } m, and that is { SHORT($low_m) } m ({ FIX($low_mm, digits: 0) } mm the wrong way)
give-exactly-one = give exactly one of { $label_ofs }
default-calculator = default of the calculator
required = is required
not-known-key = is not a known key
must-be-finite-number = must be a finite number
must-be-number = must be a number
must-be-whole-number = must be a whole number
must-be-true-or = must be true or false
must-be-text = must be text
must-have-one-character = must have at least 1 character
must-have-one-entry = must have at least 1 entry
must-be-an-id = must be an id as Bothy gives them, of 32 digits and letters
not-of-this-form = is not written as it should be
must-be-a-day = must be a day as 2027-05-01
must-be-a-time = must be a time as 2027-05-01T08:00:00
none-of-the-kinds = is none of the kinds that there are
must-be-list = must be a list
must-be-object = must be an object
must-be-json-object = must be a JSON object
used-twice-every-must = '{ $one }' is used twice; every { $key } must be unique
## finding
first-step = First step: { $self_label }{ $self_label_2 }

## fluid
not-known-fitting-known = “{ $name }” is not a known fitting; known are { $known }
must-come-to-times = “{ $name }” must come 0 to 100 times
fittings-loss = Fittings’ loss
pipes-loss = Pipe’s loss
friction-factor = Friction factor
reynolds-number = Reynolds number
velocity = Velocity

## places
not-place-in-climate = “{ $key }” is not a place in the climate table, nor one of your own; choose one from the list

## plain
holds-at-character-which = holds U+{ $ord } at character { $start }, which is no letter or sign; take it out
nested-more-than-deep = is nested more than { $deepest } deep
has-key-that = has a key that { $not_text }
nearer-to-than-anything = is { SHORT($value) }, nearer to 0 than anything that can be measured; write 0 or a larger number
holds-more-than-values = holds more than { $most_values } values

## recognise
compact-washing-machine-one = compact washing machine, one load
table-top-dishwasher-one = table-top dishwasher, one load
pressure-washer-ten-minutes = pressure washer, ten minutes at a low setting
by-name = by its name
at-more-than-cable = { FIX($running_a, digits: 0) } A at { SHORT($system_v) } V is more than a cable should carry
hob-induction-stove-rice = hob|induction|stove|rice cooker|air[- ]?fryer|oven

## region
device = a 30 mA device
united-kingdom = United Kingdom
mains-work-and-certificate = Mains work and its certificate: a qualified electrician (BS 7671, BS EN 1648).
european-union = European Union
mains-work-and-certificate-qualified = Mains work and its certificate: a qualified electrician (national rules, EN 1648).
united-states = United States
mains-work-licensed-electrician = Mains work: a licensed electrician where the state requires one (NFPA 70 article 551, NFPA 1192).
ground-fault-protection = ground-fault protection
light-blue = light blue
mains-work-licensed-electrician-always = Mains work: a licensed electrician, always (AS/NZS 3001).
australia = Australia

## report
controllers-top-current = controller’s top current
chargers-output = charger’s output
input-current = Input current
trickle-to-for-starter = a trickle of 1 to 2 A for the starter battery
all-group-in-list = all of the group { $k } in the list of masses
mass-that-known-so = Mass that is known so far
each-driver-in-vehicles = 75 kg each; the driver is in the vehicle’s own mass
people-besides-driver = people besides the driver
what-chosen = what is chosen
water-tanks-full = water, tanks full
tanks-and-what-in = tanks and what is in them
vessels-full = vessels full
gas-vessels = gas vessels
vehicle = Vehicle
so-far-known-before = So far { GROUPED($loaded_kg, digits: 0) } kg are known, before furniture and luggage; the payload is { GROUPED($payload_kg, digits: 0) } kg. Overloaded, brakes and tyres fail, and the insurer doesn’t pay.
power-takes-before-furniture = Power takes { FIX($mass_kg, digits: 0) } kg of { FIX($payload_kg, digits: 0) } kg, before furniture, water and people.
## restraint
every-way = 10 g every way
forward-sideways = 5 g forward, 3 g sideways
forward = 0.8 g forward
every-way-up-small = 1.5 g every way, 1 g up: a small boat thrown on her side

## reuse
circuits = circuits of

## sound
cant-be-computed-with = can’t be computed with this change ({ $name }: { $exc }); nothing was changed. Try other values

## units
write-for-example = “{ $shown }” { $why }; write for example { $examples }
has-unknown-part = has the unknown part “{ $m } { $m_2 }”
not-number = is not a number
has-after-whole-which = has { $m } { $small } after whole { $large }, which is more than one of them
has-part-and-too = has a part of a { $large } and { $small } too
unknown-kind-quantity = unknown kind of quantity “{ $dimension }”
too-long-for-quantity = is too long for a quantity
empty = is empty
over-meters-range-open = over the meter’s range: open
not-awg-size-that = is not an AWG size that is sold (20 to 4/0)
has-no-number-at = has no number at its start
not = is { $a }, not { $a_2 }
has-unknown-unit = has the unknown unit “{ $m }”
not-finite-number = is not a finite number

## vehicles
small-van = small van
panel-van = panel van
long-high-van = long high van
truck-body = truck body
truck-camper = truck camper
small-boat = small boat
