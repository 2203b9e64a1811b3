# What the pages of water say. A quantity’s name ends in its unit.

## CareView
gloves-eye-protection-fresh = Gloves, eye protection, fresh air; never chlorine with acid or descaler; taps tagged “do not drink” until rinsed; by-pass carbon and UV. Test with air only up to 50 kPa, nobody over the joints.
sanitising = Sanitising
carbon-uv-passed-tank = Carbon and UV by-passed; tank full: { $system_l } with pipes and heater.
product-into-tank-every = of the product into the tank; every tap until it smells of it.
let-stand = Let it stand
drain-then-rinse = Drain, then rinse
times-water-into-foul = times: { $rinse_l } of water, into a foul drain.
no-fresh-tank-yet = No fresh tank yet, so there is nothing to sanitise.
shower = Shower
shower-before-used = The shower, before it is used
shower-2 = shower: { $item }
no-shower-inside = No shower inside.
kpa-warmth-taken-out = { FIX($corrected_drop_kpa, digits: 1) } kPa, warmth taken out;{ " " }
kpa-allowed = { FIX($allowed_drop_kpa, digits: 1) } kPa are allowed
ml-hour = ; { FIX($leak_ml_h) } mL an hour
fell = Fell by { $kpa_warmth_taken }{ $kpa_allowed }{ $leak_ml_h }. { $reasons }
name = name
date = date
by = by
with = with
pressure-start = pressure at the start
pressure-end = pressure at the end
minutes = minutes
temperature-start = temperature at the start
end = at the end
same = the same
pipe = pipe
volume-under-test = volume under test
air = air in it
not-entered = not entered
remove-record = Remove this record
water = Water
care-tests = care and tests
product = product
chlorine-tablet-mg = chlorine in a tablet, mg
strength-chlorine-mass = strength, chlorine by mass
household-bleach = household bleach 3 to 6 %
strength-left = of its strength left
bleach-loses-fifth-year = bleach loses 20 % a year
target-mg-l = target, mg/L
dose-time-mg-min = dose · time, mg·min/L
regions = the region’s
last-done-days-ago = last done, days ago
water-standing-days = water standing, days
acid-descaler-same-time = acid or descaler at the same time
sanitising-2 = sanitising: { $label }
before-walls-closed = Before walls are closed
walls-closed-over-pipes = walls are closed over the pipes, or soon will be
pump-up-one-half = Pump up to one and a half times the cut-out, heater and accumulator isolated if rated lower; wait 10 min, pump up again, start. Plastic: pump up twice.
pressure-test = pressure test
start = start
end-2 = end
verdict = verdict
add-pressure-test-n = Add a pressure test (n)
water-sheets-paper = Water sheets for paper
pressure-tests = Pressure tests
no-test-yet-done = No test yet. It is done before any wall is closed over a pipe.

## DaysView
draining-grey-water-roads = Draining grey water on roads, pitches and into rainwater gullies is prohibited or fined in most places; toilet waste goes to a disposal point only.
without-end-days = { $name } { $no_days ->
        [yes] without end
       *[no] { FIX($days, digits: 1) } days
    }
day = { $total_l_day } a day; { $stores }
water-day = water a day
days-each-store-lasts = days that each store lasts
no-end = no end
asked = target: { $target_days }
style-has = as the style has it
how-much-how-long = how much, and for how long
habits = Habits
water-used = water is used
last-days = it is to last, days
nights-between-hook-ups = nights between hook-ups
drinking-water = drinking water
heat-more-drink = in heat: 50 % more to drink
drinking-person = drinking, a person
cooking-person = cooking, a person
dishes-person = dishes, a person
hands-teeth-person = hands and teeth, a person
shower-3 = the shower
showers-flow = shower’s flow
minutes-running = minutes running
showers-person-week = showers a person and week
one-charge = one charge
outside-day = outside, a day
use-water = use of water
jugs-grey-water = Jugs and grey water
jug-holds = a jug holds
jugs-fresh-water = jugs of fresh water
drinking-store = drinking store
grey-water-goes = grey water goes to
portable-container = portable container
toilet = Toilet
kind = kind
urine-container = urine container
container = container
solids = solids
more-containers = more containers
use-home = of its use at home
vent-leads-through-roof = its vent leads through the roof
emptied-disposal-points-only = emptied at disposal points only
toilet-2 = toilet
no-toilet = no toilet
toilet-3 = a toilet
add-toilet = Add a toilet
store = store
holds = holds
usable = usable
day-2 = a day
days = days
for = for { $target_days }
enough = enough
cant = can’t
stores = Stores
no-store-yet-turn = No store yet. Turn to Tanks and add the fresh one; or enter under Details how many jugs you carry.
nothing-propose-stores-pump = Nothing to propose: stores, pump and pipes stand, or Daily use is still empty.

## HotView
c-burns-adult-skin = 60 °C burns adult skin in 5 s, 70 °C in 1 s, a child’s in half of that: try the mixer with a thermometer. Relief valve outlet outside, never plugged. Gas heaters room-sealed, fitted by the licensed trade; mains by an electrician.
never = never
days-2 = { FIX($h, digits: 1) } days
c-min = from 10 to { $target_temp_c } °C in { $time_min_less ->
        [yes] { FIX($time_min) } min
       *[no] { $time_min_2 }
    }
min-shower-c = { FIX($shower_min, digits: 1) } min of shower at 38 °C, { $mixed_l }
shower-without-end = a shower without end
shower-gets-c = the shower gets { FIX($reachable_c) } °C
ah-bank-each-heating = { FIX($charge_ah) } Ah of the bank for each heating
w-lost-while-stands = { $standing } lost while it stands hot
c-burns-skin = { FIX($max_c) } °C burns skin in { $burn }
c-after = { " " }at 0 °C after { $to_zero_h }
hot-water-no-water = { $has_h ->
        [yes] Hot water: { $lines }
       *[no] No water heater
    }; { $has_frost ->
        [yes] { $frost }
       *[no] nothing wet outside the warm body
    }
no-water-heater = no water heater
flows = as it flows
c-time-freezing = at { FIX($coldest_c) } °C: time to freezing
no-frost-plan = No frost on this plan.
all-wet-parts-inside = All wet parts are inside, in the warm.
held = held
ice-w-hold = { $to_zero_h }, ice { $to_ice_h }; { $hold } hold it
waste = waste of the { $fixtures }
mm-fall-over-length = { $slope_frac } mm of fall over its length. A support every 0.3 m: a sag is a second trap and an ice plug.
from-the = from the
bore = bore
length = length
fall = fall
is-in = 2 % is 1 in 50
trap = a trap in it
worktop-left-before-sink = worktop left before the sink
behind = and behind it
remove-waste = Remove this waste
hot-water = hot water: { $label }
hot-waste-frost = hot, waste, frost
it = it
heated = heated by
starts = starts at
heats = heats to
burners-input = its burner’s input
element = element
element-fed = element fed by
coil-w-each-kelvin = the coil gives for each degree
coolant = coolant
coolant-flow = coolant flow
loses-w-each-kelvin = loses for each degree
mixer-set = mixer set to
no-mixer = no mixer
relief-valve = relief valve
none = none
piped-outside = it is piped outside
check-valve-cold-feed = a check valve on the cold feed
expansion-vessel = expansion vessel
heating-pushes-out-ml = heating pushes out { $expansion_l } mL
c-half-hour-each = 60 °C for half an hour each week
cant-start-without-water = it can’t start without water
hot-pipe-made = hot pipe made for
drained-tray-sensor-under = a drained tray or sensor under it
water-heater = a water heater
add-water-heater = Add a water heater
winter = Winter
frost = in frost it is
l-must-come-out = { FIX($drain_down_l) } L must come out: tanks,{ " " }
l-pipes-heater-pump = { FIX($pipe_l, digits: 1) } L in the pipes, the heater, pump and filter bowls.
drained-down = Drained down, { $l_must_come }{ $l_pipes_heater }
waste-2 = waste
fixture = fixture
trap-2 = trap
yes = yes
add-waste-n = Add a waste (n)
wastes = Wastes
no-waste-yet-one = No waste yet: one from each sink, basin and shower, falling 1 in 50, with a trap.

## Sentence
people = people
person-uses-people-use = { $people ->
        [one] person uses
       *[other] people use
    } water
use = use
day-3 = a day,
come-back-grey = { " " }of it come back grey.
of-the = Target:
days-last = days to last
asked-lasts = ; the water lasts
then-empty-full = ; then the { $limiting } { $limiting_2 ->
        [yes] is empty
       *[no] is full
    }.
no-store-holds-any = No store holds any of it yet.

## TanksView
part-of-tank = a part of the tank
cut-out = cut out of it
litre-kilogram-low-near = 100 L weigh 100 kg: low, near the axles, held for a crash and not only for braking. Before a floor is drilled: fuel, brake lines, cables.
long-along-vehicle = long, along the vehicle
wide = wide
high = high
across = across
long = long
shape = shape
it-is = it is
begins-over-tanks-zero = begins over the tank’s zero
section-corners-across-up = section, corners across and up in { $unit }
three-corners-more = three corners and more, as “0 0, 500 0, 500 200”
middle-over-floor-full = Its middle is { $cg_z_m } over the floor. Full, its fixing holds { FIX($need_x_n, digits: 1) } kN forward, { FIX($need_y_n, digits: 1) } kN sideways, { FIX($need_z_n, digits: 1) } kN up.{ $has_drain_min ->
        [yes] { " " }Full, it has run out of its drain after { $drain_min } min.
       *[no] { "" }
    }
stands = stands
front = from the front
zero-over-floor = its zero over the floor
shape-2 = Shape
part = Part { $i }
part-2 = part { $i }: { $label }
part-section = part { $i }: section
part-taken-out = part { $i } taken out
take-part-out = take part { $i } out
one-more-part = one more part
add-part = Add a part
part-cut-out = a part cut out
cut-one-out = Cut one out
outlet-over-zero = outlet over its zero
floor = at its floor
full = full at
top = its top
empty-tank = empty tank
vent-filler-fixing = Vent, filler, fixing
vent-inside = vent, inside
ends-above-filler-top = it ends above filler and top
filled = filled
filler-inside = filler, inside
fixing-holds-forward-n = fixing holds forward
sideways-n = sideways
up-n = up
longest-room-without-wall = longest room without a wall
length-2 = its length
marked-drinking-water = marked for drinking water
full-mass-budget = full in the mass budget
stands-over-electrics = it stands over electrics
drain-inside = its drain, inside
drain-valve-lowest-point = a drain valve at its lowest point
sensor = a sensor at 90 %
foam-round = foam round it
heater = its heater
gauge = Gauge
sender = sender
reads-empty = reads empty
reads-full = reads full
empty = empty at
tanks-floor = the tank’s floor
full-level = full level
cable = its cable, Ω
gauge-2 = { $name }, gauge: { $label }
calibration-gauge = Calibration of the gauge
litres = litres
level = level
reads = reads, { $unit }
l-first = { FIX($blind_low_l, digits: 1) } L and the first{ " " }
cant-see-last = It can’t see the last { $l_first }{ $l }
no-gauge = no gauge
gauge-3 = a gauge
add-gauge = Add a gauge
remove-tank = Remove this tank
joins-tanks = joins { $tanks_count } { $tanks_count ->
        [one] tank
       *[other] tanks
    }
all-reach-outlet-stay = { $total_l } in all, { $usable_l } reach the outlet, { $unusable_l } stay behind. At the pump’s draw the levels part by { $mm }{ $has_balance_min ->
        [yes] ; filled from one side they level out in { FIX($balance_min, digits: 1) } min
       *[no] { "" }
    }.
over-floor = over the floor
vents-end-together-above = vents end together above the highest top
joins-pump-draws-first = joins; the pump draws from the first
part-these-tanks = Part these tanks
tanks = tanks
every-tank-full = { $mass_full_kg } with every tank full.
fixings-hold = fixings hold
join-fresh-tanks = Join { $free_count } fresh tanks
tank = tank
full-2 = full
mass = mass
add-tank-n = Add a tank (n)
tanks-2 = Tanks
no-tank-yet-measure = No tank yet. Measure the room first: the tank, its fixing, and the outlet at its lowest point.

## TapsView
switch-pump-off-when = Switch the pump off when you drive or leave: a burst hose empties the tank. Water sideways of electrics, or under them, never above.
run-goes = a run that goes on
alone-gets-open-most = Alone it gets { $alone_l_min } of { $wanted_l_min }{ $has_shared_with ->
        [yes] , with “{ $shared_with }” open { $shared_l_min }
       *[no] { "" }
    }. At most { $m }
begins = begins at
tanks-outlet-pump = the tank’s outlet, with the pump
inside-pipe-mm-has = inside: pipe of 15 mm has 11.6, of 12 mm 9
rises = rises
end-3 = at its end
wanted = wanted
pressure = at a pressure of
tap-kpa-shower = tap 30 kPa, shower 60 to 100
hot-water-2 = hot water
end-front = its end, from the front
pipe-2 = Pipe
lies = lies
made = made for
joint-without-hatch = a joint without a hatch
joint-over-electrics = a joint over electrics
drain-valve-low-point = a drain valve at its low point
remove-run = Remove this run
no-end-sight = No end in sight.
good-days-ended-kpa = Good for { FIX($days) } { $days ->
        [one] day
       *[other] days
    }, ended by { $limited_by }; { FIX($drop_kpa) } kPa when clean.
sits = sits
finest-m = finest, µm
good = good for
good-months = good for, months
rated-flow = rated flow
takes-clean-flow = takes, clean, at that flow
use-days = in use for, days
remove-filter = Remove this filter
pressure-side = the pressure side
tap-half-open-runs = With a tap half open it runs{ " " }
l-between = { FIX($drawdown_l, digits: 2) } L between.
time-times-hour-accumulator = { $tap_half_open }{ FIX($run_time_s, digits: 1) } s at a time, { FIX($cycles_per_hour) } { $cycles_per_hour ->
        [one] time
       *[other] times
    } an hour; the accumulator gives { $l_between }
which-appliance-daily-use = which appliance in Daily use
switches = switches on at
no-switch = no switch
switches-off = switches off at
accumulator = accumulator
precharge = its precharge
cut-less-kpa = cut-in less 14 kPa
strainer-before = a strainer before it
shut-off-valve-before = a shut-off valve before it
stops-when-tank-empty = it stops when the tank is empty
may-run-dry = it may run dry
pump = pump
curve = Its curve
open-flow = open flow
flow-point = flow, point { $i }
shut-pressure = shut pressure
pressure-point = pressure, point { $i }
pumps-curve = pump’s curve: { $label }
kpa-shut = { FIX($pressure_kpa) } kPa shut,{ " " }
l-min-open = { FIX($flow_l_min) } L/min open.
running-pump-without-switch = The running pump without its switch: { $kpa_shut }{ $l_min_open }
no-pump = no pump
pump-2 = a pump
add-pump = Add a pump
filters = Filters
add-filter = Add a filter
inlet-pitchs-water = Inlet for the pitch’s water
limiter = limiter
check-valve = a check valve
water-inlet = water inlet
no-water-inlet = no water inlet
no-inlet = no inlet
water-inlet-2 = a water inlet
add-inlet = Add an inlet
main = Main
run = run
needs = needs
now = now
gets-alone = gets alone
add-run-n = Add a run (n)
shut-all = Shut all
open-all = Open all
pump-missing-add-slate = A pump is missing: add it under Details.
runs-water = Runs of water
no-run-yet-first = No run yet. The first one goes from the tank’s outlet through the pump to where the pipes part; then one to each tap.

## WaterPicture
not-asked-yet = not asked
check-shape = check its shape
nothing-holds-moves-water = Nothing holds or moves water yet. Begin with the fresh tank: how long, wide and high it is, and where it stands; then the grey one, the pump, and a run to each tap.
water-side-litres-minute = Water from the side: { FIX($total_l_min, digits: 1) } litres a minute with { $open_count } open
water-side-tanks-pump = Water from the side: tanks, pump, pipes and taps, all shut
front-2 = front
floor-2 = floor
starves = { $flow }{ $starves ->
        [yes] { " " }starves
       *[no] { "" }
    }
press-what-tested = Press what is to be tested.
press-tap-open-width = Press a tap to open it. Width is flow; the tank is taken as nearly empty.
what-cut-out-hatched = { $tanks }; what is cut out is hatched.

## edit
tank-2 = Tank
crossover = Crossover
run-2 = Run
filter = Filter
drain = Drain
pressure-test-2 = Pressure test
pump-3 = Pump

## words
days-3 = Days
taps = Taps
hot-waste-frost-2 = Hot, waste, frost
care-tests-2 = Care and tests
frugally = frugally
most-do = as most do
home = as at home
tank-3 = from the tank
store-own = from a store of its own
flows-through = flows through
runs-circle = runs in a circle
none-inside = none inside
cassette = cassette
black-tank = black tank
separating = separating
gelling-bags = gelling bags
fresh-water = fresh water
grey-water = grey water
black-water = black water
inside-warm = inside, in the warm
under-floor = under the floor
outside = outside
hose = by hose
through-filler = through a filler
jug = by jug
ohms = ohms
volts = volts
steps = steps
box = box
standing-cylinder = standing cylinder
lying-cylinder = lying cylinder
drawn-section = drawn section
pressure-pump = pressure pump
pump-varies-speed = pump that varies its speed
submersible-switches-taps = submersible, with switches in the taps
goes = goes on
kitchen-tap = kitchen tap
basin = basin
shower-4 = shower
outside-tap = outside tap
heater-2 = heater
insert-couplings = insert couplings
reducers = reducers
ball-valves = ball valves
stop-valves = stop valves
check-valves = check valves
strainers = strainers
sediment = sediment
carbon = carbon
fine = fine
uv-lamp = UV lamp
before-all-water = before all water
drinking-tap = at the drinking tap
stores-hot-water = stores hot water
heats-flows = heats as it flows
element-2 = an element
gas = gas
diesel = diesel
engines-coolant = the engine’s coolant
coolant-element = coolant and an element
gas-element = gas and an element
coolant-loop-plate-exchanger = the coolant loop, a plate exchanger
inverter = the inverter
bank-direct = the bank, direct
hook-up-only = the hook-up only
sink = sink
tank-4 = a tank
portable-container-2 = a portable container
ground = the ground
overboard = overboard
kept-warm = kept warm
drained-down-2 = drained down
food-safe-glycol = food-safe glycol
liquid-bleach = liquid bleach
granules = granules
tablets = tablets
water-2 = water
air-most-kpa = air, at most 50 kPa
plastic = plastic
metal = metal
stiff-dry-backing = stiff dry backing
tray-lining-mm-upstand = tray or lining with 50 mm of upstand
lining-lapped-into-tray = lining lapped into the tray, outside over inside
corners-screws-taps-pipe = corners, screws, taps and pipe holes sealed
falls-waste-both-ends = falls to a waste at both ends, 1 : 60
trap-fitted-reachable = trap fitted and reachable
curtain-door-closes-inside = curtain or door closes inside the tray
extract-vent = extract vent
flood-test-mm-hour = flood test: 25 mm for an hour level, an hour rocked
toilet-cassette = toilet cassette
washing-machine-like = washing machine and the like
drinking = drinking
cooking = cooking
dishes = dishes
hands-teeth = hands and teeth
flushing = flushing
temperature-moved-too-much = the temperature moved too much
too-short = too short
pressure-rose = the pressure rose
fell-more-than-allowed = it fell by more than is allowed
