# What the pages of gas say. A quantity’s name ends in its unit.

## CookingView
alcohol-stove-filled-outside = An alcohol stove is filled outside and cold. Every flame needs a carbon monoxide alarm and fixed vents. Induction takes its full power at once: see inverter and bank in Power.
minutes-meal = minutes a meal
none = none
bank-day-ah = from the bank a day, Ah
water-into-air-day = water into the air a day
minutes-g-ah-day = { $method }: { FIX($time_min) } { $time_min ->
        [one] minute
       *[other] minutes
    }, { $has_fuel_g_day ->
        [yes] { $fuel }
       *[no] { FIX($battery_charge_ah_day) } Ah
    } a day
gas = Gas
cooking-without = or cooking without it
cooking = cooking is
not-decided = not decided
canister-filled-outside-cold = its canister is filled outside and cold
usual-meal = A usual meal
water-brought-boil = water brought to the boil
then-simmering-minutes = then simmering, minutes
heat-into-pot-then = heat into the pot then
meals-day = meals a day
usual-meal-2 = a usual meal
wh-heat-go-into = { $useful_wh } Wh of heat go into the pot.
induction-asks-w-bank = Induction draws { $battery_power_w } W from the bank at once, and { FIX($battery_charge_ah_day) } Ah a day.
no-gas-means-no = No gas means no locker, no drop vents, no certificate, and no yearly test; it means a larger bank, or another fuel. Efficiencies are usual ones.
way = way
energy-meal = energy a meal
minutes = minutes
fuel-day = fuel a day
charge-day = charge a day
bank-once = bank at once
ways-cook = Ways to cook
nothing-compare = Nothing to compare.

## LockerView
vents-never-closed-winter = Vents are never closed, in winter too: gas runs down and must find its way out. Sleeping: heaters room-sealed, carbon monoxide alarm tested. You may cut the locker and its vents; joining pipe is the fitter’s work.
locker-low = locker, low
locker-high = locker, high
room-high = room, high
room-low = room, low
mm = { $word } { $have } of { $need } mm²
vessels-no-locker = { $has_at ->
        [yes] { $name }, { $circles_count } { $circles_count ->
        [one] vessel
       *[other] vessels
    }
       *[no] no locker
    }; { $needs }
locker-above = locker, from above
no-locker-yet = no locker yet
falls-outside = falls outside
sealed-inside-not-sealed = { $sealed ->
        [yes] sealed to the inside
       *[no] not sealed to the inside
    }; opens { $opens }
free-area-vents-need = free area of vents, need against have
cm = { $have } of { $need } cm²
one-round-drain-mm = One round drain of { $round_drain_mm } mm would be enough for the low side; mesh blocks half of it.
gas-alarm-mm-over = Gas alarm { $height_m } mm over the floor.
no-gas-alarm-yet = No gas alarm yet.
hole-mm-m = : a hole of { $hole_mm2 } mm² at { FIX($hole_m, digits: 1) } m.
vent-locker = vent of the locker, { $positions }
name = name
sits = sits
round = round
across = across
width = width
height = height
free-mesh = free of mesh
mesh-leaves = mesh leaves 50 to 70 %
pieces = pieces
cover-can-close = a cover can close it
under-close = under it, close by
nearest-opening-intake-socket = to the nearest opening, intake or socket
not-entered = not entered
nearest-exhaust-flue = to the nearest exhaust or flue
nothing-under = nothing under it
nothing-under-2 = nothing is under it
remove-vent = Remove this vent
low-point-where-gas = low point where gas would gather
hole-mm = its hole
mm-mesh = 1 000 mm² with mesh
hole-away = hole is away by
remove-point = Remove this point
locker-air = locker and air
locker = Locker
length-inside = length inside
width-inside = width inside
height-inside = height inside
vents = vents by
regions-rule = the region’s rule
opens = opens
sill = sill
gas-tight-living-space = gas-tight to the living space
open-inside = open to the inside
exhaust-flue-engine = to exhaust, flue or engine
drain-falls-overboard = the drain falls overboard
above-water-when-heeled = above the water when heeled
locker-2 = locker
nothing-open-inside = nothing open to the inside
nothing-open-any-more = nothing is open any more
sparks-socket-relay-lamp = in it that sparks: socket, relay, lamp, battery
sparks-locker = sparks in the locker
nothing-sparks-locker = nothing that sparks in the locker
nothing-sparks = nothing that sparks is in it
no-locker = no locker
locker-3 = a locker
add-locker = Add a locker
low-points = Low points
add-low-point = Add a low point
gas-alarm = Gas alarm
over-floor = over the floor
lowest-bunks-edge = lowest bunk’s edge
no-bunk = no bunk
gas-alarm-2 = gas alarm
no-gas-alarm = no gas alarm
no-alarm = no alarm
gas-alarm-3 = a gas alarm
add-gas-alarm = Add a gas alarm
vent = vent
size = size
free = free
counts = counts
no = no
yes = yes
add-vent-n = Add a vent (n)
add-locker-n = Add a locker (n)
vents-locker = Vents of the locker
no-vent-yet-lockers = No vent yet: the locker’s lowest point must lead to the outside.
no-locker-yet-sealed = No locker yet. It is sealed to the inside, opens to the outside, and vents at its lowest point.

## PapersView
air-not-oxygen-other = Air, not oxygen or other gas; appliances isolated; never a flame. To be done and signed by the licensed person. A result never clears a smell of gas.
papers = Papers
may-install = may install
paper = paper
afterwards = afterwards
certificate = certificate
months-old = { $name }, { FIX($months_ago) } { $months_ago ->
        [one] month
       *[other] months
    } old{ $has_who ->
        [yes] , by { $who }
       *[no] { "" }
    }
none-yet = none yet
leak-test = leak test
no-date = no date
holds-nothing-was-changed = { $last }, { $on }: holds, and nothing was changed since
none-counts-what-there = none that counts for what is there now
usual-region-ask-what = Usual of the region; ask what holds where you are.
before-trip = Before a trip
before-trip-2 = before a trip: { $item }
mbar-warmth-weather-taken = { $corrected_drop_mbar } mbar, warmth and weather taken out;{ " " }
mbar-one-step-gauge = { $limit_mbar } mbar is one step of the gauge.{ " " }
l-under-test = { FIX($volume_l, digits: 2) } L under test
fell-leak-g-h = Fell by { $mbar_warmth_weather }{ $mbar_one_step }{ $l_under_test }{ $some_leak_std_l_h ->
        [yes] ; as a leak { $leak_working_g_h } g/h of gas at working pressure
       *[no] { "" }
    }. { $reasons }{ $some_changed_count ->
        [yes] { " " }{ $changed_count } { $changed_count ->
        [one] part was
       *[other] parts were
    } changed since.
       *[no] { "" }
    }
date = date
by = by
licence = licence
signed-person = signed by that person
instrument = instrument
with = with
regulator-appliances-isolated = regulator and appliances isolated
start = at the start
end = at the end
settling-before-minutes = settling before, minutes
temperature-start = temperature at the start
same = the same
barometer-start = barometer at the start
standard = standard
barometer-end = barometer at the end
one-step-gauge = one step of the gauge
volume-beside-pipes = volume beside the pipes
tested-now = tested as it is now
was-tested-now = It was tested as it is now
remove-record = Remove this record
pressure-read = pressure
readings-working-pressure = Readings at working pressure
limit = in its limit
out-limit = out of its limit
least = at least
most = at most
reading = reading
at = at
line = the line
shuts-after-seconds = shuts after, seconds
reading-2 = reading: { $label }
removed-reading = removed a reading
remove-reading = remove this reading
reading-3 = a reading: { $word }
add = Add: { $word }
tests-papers = tests and papers
installed = installed by
let-hired-out-lived = let, hired out or lived in
local-rule-requires-licence = a local rule requires a licence
certificate-2 = Certificate
given-months-ago = given, months ago
no-certificate = no certificate
certificate-3 = a certificate
add-certificate = Add a certificate
mbar-each-valve-opened = { $test_mbar } mbar; each valve opened in turn; bubble fluid on every joint; working pressure; all off; flame failure.
order-vessel-shut-appliances = In this order: vessel shut, appliances isolated, air at the regulator’s outlet; { $mbar_each_valve }
leak-test-2 = Leak test
added-leak-test = added a leak test
start-2 = start
end-2 = end
verdict = verdict
signed = signed
signed-not-signed-changed = { $signed ->
        [yes] signed
       *[no] not signed
    }{ $has_changed ->
        [yes] , changed since
       *[no] { "" }
    }
add-leak-test-n = Add a leak test (n)
sheets-paper = Sheets for paper
leak-tests = Leak tests
no-test-yet-done = No test yet. It is done and signed by the licensed person after every change; print the sheet for it.

## PipePicture
gas-pipes-everything-burning = Gas pipes with everything burning: { $pipes }
gas-pipes-none-leads = Gas pipes: none leads to an appliance yet
everything-burning = everything burning
vessel = 1 vessel
vessels = { $count } { $count ->
        [one] vessel
       *[other] vessels
    }
regulator = regulator
no-regulator = no regulator
solenoid = solenoid
m-mm-mbar = { FIX($length_m, digits: 1) } m of { $bore } mm, −{ FIX($drop_mbar, digits: 2) } mbar{ $has_end ->
        [yes] { "" }
       *[no] { " " }→ { FIX($end_mbar, digits: 2) } mbar
    }
lost-worst-end-mbar = { $tag } lost to the worst end { FIX($worst_mbar, digits: 2) } of { $limit_mbar } mbar{ $has_chosen_mm_and_some ->
        [yes] ; Bothy’s size { $chosen_mm } mm
       *[no] { "" }
    }

## PipesView
you-may-plan-run = You may plan, run empty sleeves and mount appliances unconnected. Joining pipe, connecting, commissioning, converting jets and altering a regulator are the fitter’s, unless the region gives you the right.
run-appliance = a run to an appliance
run-goes = a run that goes on
kg-h-through = { FIX($flow_kg_h, digits: 2) } kg/h through{ " " }
mm-take = { $inner_diameter_mm } mm take{ " " }
mbar-lost-end = { FIX($lost_mbar, digits: 2) } mbar are lost to its end,{ " " }
mbar-stand-there-reynolds = { FIX($end_mbar, digits: 2) } mbar stand there. Reynolds number{ " " }
begins = begins at
regulator-2 = the regulator
feeds = feeds
goes = goes on
bore = bore
bothys-size = Bothy’s size
inside-tube-has-mm = inside: tube of 3/8 in has 7.9 mm, of 1/2 in 10.9 mm
inside-pipe-mm-has = inside: pipe of 8 mm has 6 mm, of 10 mm 8 mm
length = length
pipe = pipe
joints = joints
way-2 = Way
clips-every = clips every
grommet-each-panel = a grommet at each panel
nearest-cable = to the nearest cable
only-crosses = it only crosses it
cover-between = with a cover between
exhaust-heat = to exhaust or heat
shield-between = a shield between
joint-void-under-floor = a joint in a void or under the floor
remove-run = Remove this run
hose-before-regulator = hose before the regulator
hose-after-regulator = hose after the regulator
before-regulator = before the regulator
age-date-years = age from its date, years
no-date-2 = no date on it
vessel-slide-out = to a vessel on a slide-out
surface-cracked = its surface is cracked
passes-wall-floor-void = it passes a wall, floor or void
remove-hose = Remove this hose
regulator-hoses-pipes = regulator, hoses, pipes
regulator-3 = Regulator
gives = gives
mbar-regions = { $nominal_mbar } mbar, the region’s
capacity-kg-h = capacity
shuts-crash = shuts in a crash
valves-shut-when-hose = valves that shut when a hose breaks
regulator-4 = a regulator
add-regulator = Add a regulator
while-driving-valve = while driving the valve is
hoses = Hoses
add-hose = Add a hose
main-solenoid = Main solenoid
closed-without-current = closed without current
holds = holds with
open-hours-day = open, hours a day
gas-alarm-shuts-too = the gas alarm shuts it too
which-appliance-daily-use = which appliance in Daily use
circuit-then-gets-switch = its circuit then gets a switch on the panel in Wiring
switch-panel-works = A switch of the panel works it.
no-switch-panel-works = No switch of the panel works it yet.
no-solenoid = no solenoid
solenoid-2 = a solenoid
add-solenoid = Add a solenoid
to = To { $unfed }
main = Main
run = run
flow = flow
takes = takes
end-3 = at its end
add-run-n = Add a run (n)
gas-runs = Gas runs
no-run-yet-first = No run yet. The first goes from the regulator to where the pipes part; then one to each appliance.

## Sentence
who-may-do-work = Who may do this work
planning-aid = Planning aid.
gas-work-live-system = Gas work on a live system belongs to a licensed fitter.
cooking-2 = Cooking
cooking-3 = cooking
not-decided-yet = not decided yet
there-no-gas-board = There is no gas on board: no locker, no vents, no test.
appliances-burn = The appliances burn
of = of
gas-2 = gas
day = a day.
asked-last = Asked to last
days-last = days to last
days = { $target_days } { $target_days ->
        [one] day
       *[other] days
    }
vessels-give = , the vessels give
reserve-nights = with a reserve, on nights of
no-vessel-holds-any = No vessel holds any of it yet.

## UseView
heaters-water-heaters-room = Heaters and water heaters room-sealed, flame failure on every burner, a valve for each appliance. A hob is no heater. One pressure for all: read the plate.
g-gas-day-vessels = { $total } of gas a day; the vessels last { $no_days ->
        [yes] without end
       *[no] { FIX($days) } { $days ->
        [one] day
       *[other] days
    }
    }, the target is { $target_days }
gas-a-day = gas a day
vessels-days = the vessels, in days
asked-days = target: { $target_days } { $target_days ->
        [one] day
       *[other] days
    }
come-out-days-less = { $usable_kg } come out, { $days } days less the reserve{ $has_refills ->
        [yes] ; { $refills_is_0 ->
            [yes] no refill
           *[no] { $refills ->
                [one] 1 refill
               *[other] { $refills } refills
            }
        } on the trip
       *[no] { "" }
    }
g-h-each-full = { $rate_g_h } g/h each at full; { FIX($use_kg_day, digits: 2) } kg a day in all, for { FIX($hours, digits: 1) } h{ $is_usual ->
        [yes] , as is usual
       *[no] { $is_warmth ->
            [yes] , in the coldest planned month
           *[no] { "" }
        }
    }.
kind = kind
heat-input-each = heat input, each
w-usual = { $input }, as is usual
plate-means = its plate means
usual = as is usual
hours-day-full = hours a day at full
made-pressure = made for a pressure of
plate-names-mbar = its plate names 28 to 37 mbar
room-sealed-air-outside = room-sealed: air from outside, flue to outside
flame-failure-every-burner = flame failure on every burner
lit = lit by
valve-own-labelled = a valve of its own, labelled
valve-can-reached = the valve can be reached
used-warm-room = used to warm the room
gas-point-outside = at a gas point outside
shut-off-valve-cap = a shut-off valve and cap at the point
heater = is the heater
none-heat-air = none in Heat and air
gas-then-follows-weather = its gas then follows the weather
heats-waters-hot-water = it heats Water’s hot water
remove-appliance = Remove this appliance
how-much-how-long = how much, and for how long
last-days = it is to last, days
nights-between-hook-ups = nights between hook-ups
kept-reserve = kept in reserve
price-kilogram = price of the gas
everything-off-label-fuel = everything off, and a label, at fuel stops and ferries
ferry-tunnel-trip = a ferry or tunnel on the trip
hob = Hob
appliance = appliance
input-each = input, each
heat-input = heat input
hours-day = hours a day
day-2 = a day
add-appliance-n = Add an appliance (n)
gas-appliances = Gas appliances
nothing-burns-gas-turn = Nothing burns gas. Turn to “Ways to cook” first: without gas there is no locker, no vent and no test. Otherwise add the hob.
nothing-propose-regulator-runs = Nothing to propose: regulator, runs, locker, alarm and solenoid stand.

## VesselsView
upright-strapped-valve-shut = Upright, strapped, the valve shut and capped when it is carried. Never heat a cylinder with a flame, lamp, blanket or engine air; never fill an exchange cylinder at a pump.
no-vessel = no vessel
c-come-out = { $list }; at { FIX($coldest_c) } °C { $cold } come out
vessels-full = vessels, full
full = { $full_mass_kg } full
comes-out = comes out at
coldest-use = coldest use { $coldest_c }
full-vessel = of a full vessel
kg-h-continuously = { FIX($continuous_kg_h, digits: 2) } kg/h continuously,{ " " }
kg-h-hour-straps = { FIX($burst_kg_h, digits: 2) } kg/h for an hour. Its straps must hold{ " " }
full-full-gives-kn = { $full_mass_kg } full. At { $coldest_c } and 30 % full it gives { $kg_h_continuously }{ $kg_h_hour }{ FIX($need_n, digits: 1) } kN.
got = got by
holds-all = holds in all
filled = is filled to
gas-one = gas in one
empty-mass-one = empty mass, one
stands = stands
leans-degrees = leans, degrees
straps = straps
they-hold-n = they hold
connected = connected
stop-valve = an 80 % stop valve
you-fill-yourself = you fill it yourself
outlet = its outlet
regions = the region’s
filler = its filler
full-mass-budget = its full mass is in the budget
remove-vessel = Remove this vessel
vessels-cold = vessels and the cold
everything-hour = Everything on for an hour
night-heating = A night of heating
kg-h-full-they = { FIX($demand_kg_h, digits: 2) } kg/h, and 30 % full they give { FIX($continuous_kg_h, digits: 2) } kg/h continuously, { FIX($burst_kg_h, digits: 2) } kg/h for { FIX($hours) } h. Enough { $verdict }.
propane-frost = propane, for the frost
coldest-use-2 = coldest use
plans-coldest-night = the plan’s coldest night
held-against = held against
way-3 = On the way
days-outlet-fits-doesnt = , { $days } { $days ->
        [one] day
       *[other] days
    }, { $need_kg }: outlet { $fits ->
        [yes] fits
       *[no] doesn’t fit
    }, exchange { $exchange ->
        [yes] yes
       *[no] no
    }, pump { $pump ->
        [yes] yes
       *[no] no
    }
met-there = met there: { $outlets }
usual-each-country-ask = Usual of each country; ask before the trip. Only a vessel with an 80 % stop valve is filled at a pump.
vessel-2 = vessel
comes-out-2 = comes out
mass-full = mass, full
add-vessel-n = Add a vessel (n)
gas-vessels = Gas vessels
no-vessel-yet-exchange = No vessel yet. An exchange cylinder is the simplest: no filling errors, swapped anywhere at home.

## edit
appliance-2 = Appliance
cylinder = Cylinder
vent-2 = Vent
hose = Hose
low-point = Low point
run-2 = Run

## words
m20-left-hand = M20×1.5 left-hand
use-days = Use and days
vessels-2 = Vessels
locker-air-2 = Locker and air
pipes = Pipes
tests-papers-2 = Tests and papers
propane = propane
butane = butane
mix = mix 70/30
mix-2 = mix 50/50
mix-3 = mix 30/70
gas-3 = with gas
induction = by induction
diesel-hob = on a diesel hob
alcohol = with alcohol
gas-induction = with gas and induction
hob-burner = hob burner
oven = oven
grill = grill
space-heater = space heater
water-heater = water heater
heater-air-water = heater for air and water
instant-water-heater = instant water heater
fridge = fridge
barbecue = barbecue
gross = gross
net = net
piezo = piezo
v = 12 or 24 V
mains = mains
match = a match
cylinder-2 = cylinder
fixed-tank = fixed tank
exchanged = exchanged
refilled = refilled
locker-4 = in the locker
under-floor = under the floor
outside-drawbar = outside, on the drawbar
living-space = in the living space
pol-left-hand = POL left-hand
clip-mm = clip-on 21 mm
clip-mm-2 = clip-on 27 mm
w21-left-hand = W21.8×1/14 left-hand
w20-left-hand = W20×1/14 left-hand
clip-country = a clip-on of the country
qcc-type = QCC type 1
mm-leisure = 27 mm leisure
bayonet = bayonet
acme = ACME
dish = dish
en-nozzle = EN 13760 nozzle
acme-2 = 1 3/4 in ACME
low-only = low only
low-high = low and high
mass-gas = by the mass of gas
boats-drain = a boat’s drain
outside = to the outside
inside-sealed-door-sill = to the inside, sealed door and sill
inside = to the inside
lowest-point = lowest point
high = high
wall-above-valve = on the wall, above the valve
cylinder-3 = on the cylinder
copper = copper
steel = steel
compression = compression
cutting-ring = cutting ring
flare = flare
soft-solder = soft solder
taped-compression = taped compression
ball-valves = ball valves
appliance-valves = appliance valves
shut = shut
open = open
owner = the owner
licensed-registered-fitter = a licensed or registered fitter
air = air
gas-itself = the gas itself
all-off = all off
flame-blown-out = flame blown out
gas-hob = gas hob
alcohol-stove = alcohol stove
diesel-hob-flued = diesel hob, flued
induction-2 = induction
electric-hotplate = electric hotplate
kettle-boiling-only = kettle, boiling only
microwave = microwave
diesel = diesel
alcohol-2 = alcohol
laminar = laminar
between-two = between the two
turbulent = turbulent
too-little-pressure = too little pressure
not-left-settle = not left to settle
too-short = too short
temperature-moved-too-much = the temperature moved too much
pressure-rose = the pressure rose
fell-more-than-step = it fell by more than a step of the gauge
long = continuously
time = for that time
not-time = not for that time
valve-shut-cylinder-strapped = valve shut, cylinder strapped
hose-date-surface = hose: date and surface
regulator-clicks = regulator clicks
lockers-drain-clear = locker’s drain clear
bubble-test-last-joint = bubble test on the last joint opened
alarms-pressed = alarms pressed
flames-blue = flames blue
solenoid-shuts = solenoid shuts
fridge-heater-off-fuel = fridge and heater off for fuel stop, ferry, tunnel
if-you-smell-gas = If you smell gas: get everybody out. Don’t touch switches, don’t light anything. Shut the cylinder valve if you can do so safely. Open the doors. From outside, call the fire service or your gas supplier.
