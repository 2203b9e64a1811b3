# What the pages of print say. A quantity’s name ends in its unit.

## GasSheets
g-h-each = an hour, each
room-sealed = room-sealed
there-no-gas-board = There is no gas on board, so there is nothing to print.
year-years = { $n } { $n ->
        [one] year
       *[other] years
    }
if-smells-gas = If it smells of gas
come-back-only-when = { $smell } Come back only when it is aired; have the system tested before it is used again.
paper-usual-region-ask = { $region_name }: { $installs } Paper: { $paper }; { $afterwards }. Usual of the region: ask what holds where you are.
appliances = Appliances
mbar-everything-kg-h = { $gases }, { $nominal_mbar } mbar; everything on { FIX($peak_kg_h, digits: 2) } kg/h; { $total_kg_day } a day.
appliance = appliance
kind = kind
pieces = pieces
input-each = input, each
day = a day
flame-failure = flame failure
own-valve = own valve
yes = yes
no = no
vessels = Vessels
days-reserve-come-out = { $no_days ->
        [yes] { "" }
       *[no] { FIX($days, digits: 1) } days with the reserve.{ " " }
    }At { $coldest_c }: { $usable_frac } % come out.
vessel = vessel
gas-one = gas in one
full-mass-all = full mass, all
straps-must-hold = straps must hold
outlet = outlet
regions = the region’s
pipes-valves = Pipes and valves
runs = Runs
run = run
begins = begins at
length = length
bore = bore
takes = takes
end = at its end
read = read
regulator = regulator
dates = Dates
part = part
age = age
replace-after = replace after
regulator-2 = Regulator
not-entered = not entered
no-date = no date
certificate = Certificate
months = { FIX($months_ago) } { $months_ago ->
        [one] month
       *[other] months
    }
months-2 = { $months } { $months ->
        [one] month
       *[other] months
    }
way = On the way
usual-each-country-ask = Usual of each country; ask before the trip. Only a vessel with an 80 % stop valve is filled at a pump.
country = country
days = days
needs = needs
outlet-fits = outlet fits
exchange = exchange
pump = pump
note = note
fitters-test-sheet = The fitter’s test sheet
done-signed-licensed-person = To be done and signed by the licensed person. { $test_mbar } mbar of air at the regulator’s outlet, appliances isolated, never a flame. Volume of the pipes { FIX($volume_l, digits: 2) } L.
step = step
limit = limit
licence-when = by, licence, when
leak-test-start-end = Leak test: start, end, minutes, { $unit } at both
no-drop-gauge-shows = no drop that the gauge shows
each-appliances-valve-opened = Each appliance’s valve opened in turn at working pressure
no-drop = no drop
bubble-fluid-every-joint = Bubble fluid on every joint
no-bubble = no bubble
pressure-far-appliance-everything = Pressure at the far appliance, everything burning
least-mbar = at least { $working_min_mbar } mbar
pressure-all-off-after = Pressure with all off, after 5 min
most-mbar = at most { $lock_up_max_mbar } mbar
flame-failure-each-burner = Flame failure of each burner
oven = 60 s; an oven 90 s
lockers-drain-clear-vents = Locker’s drain clear, vents free
leak-tests-record = Leak tests on record
test = test
date = date
by = by
fell = fell by
verdict = verdict
signed = signed
changed-since = changed since
readings-record = Readings on record
reading = reading
limit-2 = in its limit
before-trip = Before a trip
look = look at
done-when = done, by, when

## Labels
labels-could-not-fetched = The labels could not be fetched: { $message }
drawing-up-labels = Drawing up the labels…
no-circuit-has-cable = No circuit has its cable yet, so there is nothing to label.
print-cut-along-dashes = Print at 100 %, cut along the dashes. Wire labels come in pairs: one within 100 mm of each end.
missing-because-their-cable = { " " }Missing, because their cable is not chosen yet: { $open }.
boards = On the boards
wires-both-ends = On the wires, both ends
end-2 = this end
far-end = far end

## Ladder
making-ladder = Making the ladder…
stage = stage
stage-print = Stage to print
all-stages = all stages
by-2 = { $to_upper_case } { $title }, by { $who }
stop-if = Stop if: { $stop }
step-how = step and how
right = right
when = by, when
yes-no = ☐ yes ☐ no
licence = Licence
name-date-signature = Name ______________________ { $licence } ______________________ Date ____________ Signature ______________________

## Lists
lists-could-not-fetched = The lists could not be fetched: { $message }
drawing-up-lists = Drawing up the lists…
no-circuit-has-cable-yet = No circuit has its cable yet, so there is nothing to buy, label or test.
not-these-lists-because = Not in these lists, because their cable is not chosen yet: { $open }.
cable-buy = Cable to buy
one-way-lengths-spare = One-way lengths with 10 % to spare and 0.3 m for both ends of each conductor; whole cuts, no joints. Mains as sheathed three-core: connected by a licensed person.
size = size
colour = colour
needed = needed
longest-cut = longest cut
pack = pack
packs = packs
got = got
no-pack-long-enough = no pack is long enough
terminals-lugs = Terminals and lugs
typical-makers-figures-win = Typical; the maker’s figures win. Matching crimp tool, adhesive heat-shrink over every lug, no solder.
studs = studs
strip = strip
pull-test-min = pull test, 1 min
number = number
fuses-spares = Fuses and spares
blown-fuse-replaced-same = A blown fuse is replaced by the same rating after finding why; never by a larger one or by foil.
family = family
rating = rating
fitted = fitted
spare = spare
relays-their-loads = Relays by their loads
worked-switch-panel-over = Worked from the switch panel over a thin wire with its own 1 A fuse; a suppression diode across each coil.
code = code
circuit = circuit
contacts-least = contacts, at least
raceways = Raceways
pull-thickest-first-grommet = Pull the thickest first; a grommet at every metal hole, a gland at every wall to wet or outside.
raceway = raceway
made = made as
inside = inside
circuits = circuits
cables = cables
full = full
most = at most
loop-test-before-main = Loop test, before the main fuse goes in
power-off-fuse-out = Power off, fuse out, appliances unplugged, far ends twisted together; meter leads nulled. Where a usual ohm-meter cannot resolve the loop it only proves “not open”, and the loaded test decides: at design current no more may be lost than the last figure and a quarter. Part the far ends again afterwards.
expected-m = expected mΩ
from = from
to = to
usual-meter-resolves = a usual meter resolves it
fall-design-current = fall at design current

## OpeningsSheet
head-opening = opening
no-opening-set-out = No opening is set out yet: set them out in Layout and weight, Sides and floor.
left-centre = left of centre
rear = from the rear
over-floor = over the floor
cut = cut, { $units }
laid = laid by
there = is there
each-hole-wall-order = At each hole in a wall, in this order
each-hole-floor-order = At each hole in the floor, in this order

## Plate
there-no-switch-panel = There is no switch panel yet. Take Bothy’s proposal in Wiring, or put a part on a plate there.
print-thin-full-lines = Print at 100 %. Thin full lines are cut, dashes are fronts and stay. Measure the rule first: it must be 100 mm.
something-plate-clashes-see = { " " }Something on this plate clashes: see Wiring before anything is cut.
rule-mm = A rule of 100 mm
switch-panel-mm-scale = Switch panel of { $project_name }, { $width_mm } by { $height_mm } mm, to scale

## Print
drawing-diagram = Drawing the diagram…
appliances-2 = appliances
one-way = one way
current = current
cable = cable
lost = lost
protection = protection
open-findings = open findings
busbar = busbar
assumed = { " " }assumed
not-sized = not sized
none = none
circuit-what-do = circuit and what to do
amps-expected = amps expected
amps-read = amps read
volts-bank = volts at bank
volts-expected-load = volts expected at load
volts-read = volts read
not-yet = not yet: { $missing }
to-2 = { $low_a } to { $high_a }
to-3 = { $low_v } to { $high_v }
circuit-schedule = Circuit schedule
commissioning = Commissioning
test-sheet = Test sheet
lists-bench = Lists for the bench
switch-panel = Switch panel
label-sheet = Label sheet
water-sheets = Water sheets
sources = Sources
roof-plan = Roof plan
openings-sides-floor = Openings of sides and floor
week = The week
behind-each-wall = Behind each wall
gas-sheets = Gas sheets
print = Print
back = Back
revision-v-values-typical = Revision { $revision }, { $system_voltage_v } V, { $region_name }. { $licensed } Values are typical where no data sheet is named; check your local rule. How it is calculated: the sheet “Sources” and Bothy’s method.

## RoofSheet
nothing-lies-roof-yet = Nothing lies on the roof yet: lay it out in Layout and weight, Roof.
roof = on the roof
rear-edge-rear = rear edge, from the rear
right-edge-left-centre = right edge, left of centre
held = held by
cut-out = cut-out, { $units }
centre-line = to the centre line
next-rib = to the next rib
each-hole-order = At each hole, in this order
buy = To buy

## SourceList
method-sections-how-calculated = Method, by the sections of “How it’s calculated”
standards-laws-papers-named = Standards, laws and papers, named and not reproduced
makers = Makers
own-choices = Own choices
gathering-sources = Gathering the sources…

## Walls
nothing-runs-behind-wall = Nothing runs behind a wall yet: place things in Layout and weight first.
seen-inside-measured-rear = Seen from inside. Measured from the rear-most inside face, and over the finished floor or from the centre line. Keep screws 50 mm off every run.

## WaterSheets
nothing-said-water-yet = No water system is entered yet, so there is nothing to print.
drain-valve = drain valve
no-valve-yet = no valve yet
under-l = under 0.1 L
coil = its coil
drain = its drain
stores = Stores
day-asked-last-day = { $total_l_day } a day; asked to last { $target_days } day{ $target_days ->
        [one] { "" }
       *[other] s
    }.
store = store
holds = holds
usable = usable
no-end = no end
tanks = Tanks
full-mass-what-fixing = Full mass, and what the fixing must hold.
tank = tank
mass = mass
middle-over-floor = middle over floor
forward = forward
sideways = sideways
up = up
gauge = Gauge of “{ $name }”
level-over-tanks-zero = level over the tank’s zero
reads = reads, { $unit }
pipes-taps = Pipes and taps
gets-alone = gets alone
gets-shared = gets shared
sanitising-sheet = Sanitising sheet
gloves-eye-protection-fresh = Gloves, eye protection, fresh air. Never chlorine with acid or descaler. Taps tagged “do not drink” until rinsed; carbon and UV by-passed; into a foul drain.
how-much = how much
fill-whole-system = Fill the whole system
product-into-tank-every = Product into the tank, every tap until it smells of it
let-stand = Let it stand
drain-rinse = Drain and rinse
times = { $rinses } { $rinses ->
        [one] time
       *[other] times
    }, { $rinse_l }
drain-down-winter = Drain-down for winter
must-come-out-open = { $drain_down_l } must come out. Open all taps, blow at most 50 kPa, run the pump dry for 10 s at most, empty filter bowls and traps, leave taps half open, take UV and carbon out.
point = point
drained = drained
frost-c = Frost, at { FIX($coldest_c) } °C
hours-c = hours to 0 °C
heat-holds = heat that holds it
held-2 = held
never = never
pressure-tests = Pressure tests
with = with
allowed = allowed

## WeekSheet
planning = Planning…
to-4 = { $s } to { $e }
done-plan-nothing-left = { $days } to { $days_2 }; { $has_end ->
        [yes] done { $end } by the plan
       *[no] nothing is left to do
    }.
when-2 = when
what = what
conditions-beware = conditions, beware
done = done
nobody-works-plan = nobody works by the plan
ask = Ask { $ask }.
wear = wear { $ppe }
ordered-then = To be ordered by then
