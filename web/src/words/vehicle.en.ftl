# What the pages of vehicle say. A quantity’s name ends in its unit.

## Vehicle
kind-vehicle = kind of vehicle
gives-all-you-have = gives all that you have not entered yet
region = region
inside-length = inside length
bulkhead-rear-door-bed = bulkhead to rear door, at bed height
inside-width = inside width
between-bare-walls-bed = between the bare walls, at bed height
inside-height = inside height
bare-floor-bare-roof = bare floor to bare roof, in the middle
payload = payload
plated-mass-less-empty = plated mass less the empty vehicle’s, from its papers
place-bank = place of the bank
sets-how-cold-cells = sets how cold the cells get
vehicles-own-voltage = vehicle’s own voltage
v-cars-vans-v = 12 V for cars and vans, 24 V for most trucks and buses
alternators-label = alternator’s label
amps-plate-trailer = amps on its plate; 0 for a trailer
vehicle = Vehicle
inside = , inside
long = long,
wide = wide and
high-payload = high, with a payload of
bank-stands = ; the bank stands
vehicle-basics = Vehicle basics
smart-alternator = smart alternator
most-vehicles-since-about = most vehicles since about 2015: its voltage drops while driving
hull = hull
not-entered = not entered
metal-hull-carries-no = a metal hull carries no current, and needs its shore earth kept apart
starter-battery-topped-up = starter battery topped up
trickle-starter-battery = trickle for the starter battery
yes = yes
no = no
trickle-house-bank-starts = a trickle of 1 to 2 A from the house bank, so that it starts after weeks of standing
shape-inside = shape inside
measured-stations = measured at { $stations_count } { $stations_count ->
        [one] station
       *[other] stations
    }
usual-kind-scaled = usual of its kind, scaled
walls-wheel-arches-doors = walls, wheel arches, doors and axles, one tape reading at a time
what = what it is
say-few-words = say a few words
payload-used-far = payload used so far
assumed-far = Assumed so far
nothing-all-said = Nothing: everything is entered.
assumed = { " " }(assumed)

## VehiclePlan
plan-side-section-scale = Plan and side section of a { $preset_name }, to scale
plan = plan
side = side
places-bank = Places for the bank:
bank = bank { $word }
bank-chosen = Bank { $word }{ $here ->
        [yes] , chosen
       *[no] { "" }
    }
bank-2 = bank { $i }

## words
small-van = small van
panel-van = panel van
long-high-van = long high van
minibus = minibus
bus = bus
truck-body = truck body
trailer = trailer
truck-camper = truck camper
small-boat = small boat
united-kingdom = the United Kingdom
european-union = the European Union
united-states = the United States
australia = Australia
inside-warm = inside, in the warm
inside-unheated = inside, unheated
garage = in the garage
under-floor = under the floor
engine-space = in the engine space
glass-fibre = glass fibre
wood = wood
steel = steel
aluminium = aluminium
