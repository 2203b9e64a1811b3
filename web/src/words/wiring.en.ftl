# What the pages of wiring say. A quantity’s name ends in its unit.

## BoardSlate
mains-licensed-work = mains: licensed work
ways-direct-current = { $on_count } of { $way_count } { $way_count ->
        [one] way
       *[other] ways
    }, { $is_ac ->
        [yes] { $mains_licensed_work }
       *[no] direct current
    }
voltage-here-worst-moment = Voltage here, worst moment
voltage-here-usual-moment = Voltage here, usual moment
fed = fed from
busbar = the busbar
feeder = Its feeder: { $code } { $fed }
add-feeder = Add its feeder
name = name
letter = letter
ways = ways
rating-way = rating of a way
way-rating = way rating
rating-whole = rating of the whole
rating = rating
box-stands = box it stands in
box = box
barrier-between-mains-low = a barrier between mains and low voltage in that box
barrier = barrier
side = side
direct-current = direct current
mains = mains
remove-board = Remove this board

## BringInCircuits
circuit-board-feeds-length = circuit;board;feeds;length (m);cable;rating (A){ "\u000A" }Fridge;A;Front fridge 90 L;7.5;6 mm²;7.5 … one circuit a line
brought-circuits = brought in { $lines_count } { $lines_count ->
        [one] circuit
       *[other] circuits
    }

## CircuitSlate
circuit = On this circuit
took-appliance-off = took an appliance off
take-off = take off
put-appliance-circuit = Put an appliance on this circuit
put-appliance = put an appliance on it…
now = (now on { $id })
none = (on none)
working-out = Working it out…
fit = Fit { $best }{ $has_best_fuse_a ->
        [yes] { " " }and { $best_fuse_a } A
       *[no] { "" }
    }
voltage-lost-busbar-appliance = voltage lost from the busbar to the appliance
voltage-lost-cable = voltage lost on this cable
cable-protection = Cable and protection
board = board
leads-controller = leads from the controller of
panels-share-one = the panels that share one
controller = its controller
length-one-way = length, one way
assumed-until-measured = assumed { $length_m } until it is measured
along-route = along the route
length = length
size = size
e-g-mm-awg = e.g. 6 mm² or 10 AWG
equal-cables-parallel = equal cables in parallel
cables-parallel = cables in parallel
protection = protection
fuse-family = fuse family
breaker-marked = breaker marked
breaker = breaker
source-fuse = from its source to the fuse
along-cable-m-most = along the cable; 0.175 m at most
within-m = within 0.175 m
place-fuse = place of the fuse
piece-own-sheath = that piece is in its own sheath
then-m-most = then 1 m at most
sheath = sheath
holder-rated = holder rated
fuse = for its fuse
holder = holder
fuse-other-end = fuse at the other end
where-both-ends-batteries = where both ends are batteries
solid-conductors = solid conductors
house-cable-breaks-vehicle = house cable: breaks in a vehicle
stays-live-isolator-off = stays live with the isolator off
bilge-pump-alarms = bilge pump, alarms
before-isolator = before the isolator
negative-lands = its negative lands on
negative = negative
drop-class = drop class
what = { $drop_class }, by what is on it
note = note
remove-circuit = Remove this circuit

## DiagramPicture
fold = Hide { $title }
single-line-diagram-parts = Single-line diagram, { $nodes_count } { $nodes_count ->
        [one] part
       *[other] parts
    }; the table below lists the same
diagram-could-not-drawn = The diagram could not be drawn: { $message }
drawing-diagram = Drawing the diagram…
unfold = Show
fold-2 = Hide
smaller = Smaller
larger = Larger
solid-positive-dotted-return = solid: positive · dotted: return · long dashes: mains · two bars: fuse, with a stroke: breaker · ring: switch, with a stroke: isolator · S shunt · RD residual-current device · CO change-over

## MainsSide
hard-wired = hard-wired
double-pole = double-pole
single-pole = single-pole
plug-leads = plug-in leads
automatic = automatic
switch = by a switch
kept-separate = kept separate
joined = joined
relay = by relay
permanent = permanent
none-2 = none
not-entered = not entered
ac = AC
nothing = nothing
galvanic-isolator = a galvanic isolator
isolating-transformer = an isolating transformer
at = { $length } at { $cost }
lead-lengths-you-can = lead lengths you can buy, with price
not-understood-example = not understood; for example 2 at 8; 5 at 14
example = for example 2 at 8; 5 at 14
what-stays = What stays on
stays = { $name } stays on
earlier = earlier
drop = drop
keep = Keep on
then = and then…
what-stays-first = what stays on first…
mains-2 = mains: { $what }
mains-side = Mains side
design-aid-only-mains = A design aid only. Mains can kill: design, connection, inspection and certificate belong to the electrician.{ " " }
press-test-button-each = { " " }Press the test button at each hook-up.
current-supply = current from the supply
when-too-much-runs = when too much runs
load-shedding = load shedding
together-may-run-off = Together may run: { $together }. Off meanwhile: { $shed }.
what-stays-2 = what stays on
made = made as
shore-power = { $residual_device } on shore power
cutting-all-live-conductors = cutting all live conductors
ma-outlets = 4 to 6 mA at the outlets
residual-current-device = residual-current device
another-behind-inverter = another behind the inverter
device-behind-inverter = device behind the inverter
breakers = breakers
poles-breakers = poles of the breakers
sockets-double-pole-switches = sockets with double-pole switches
socket-switches = socket switches
shore-inverter = shore and inverter
inverters-neutral-earth-bond = inverter’s neutral-earth bond
neutral-earth-bond = neutral-earth bond
earth-chassis = earth to chassis
mm-more = 4 mm² or more
no-bond = no bond
device-type = that device is of type
type-residual-current-device = type of the residual-current device
breaker-inlet = breaker at the inlet
none-entered = none entered
hook-up-lead-length = hook-up lead, length
usual = usual
hook-up-lead = hook-up lead
hook-up-lead-size = hook-up lead, size
size-hook-up-lead = size of the hook-up lead
surge-protector-inlet = surge protector at the inlet
surge-protector = surge protector
between-shores-earth-hull = between shore’s earth and hull
galvanic-isolator-2 = galvanic isolator
leads = leads
size-leads = size of the leads
leads-joined-most = leads joined at most
leads-joined = leads joined
lead-lengths = lead lengths
splitters-where-leads-branch = { $splitter_count } { $splitter_count ->
        [one] splitter
       *[other] splitters
    } where leads branch.
no-lead-reaches = no lead reaches
lost-supply = lost from the supply

## Making
spare-fuses-kit = spare fuses in the kit
drawing-up-kit = Drawing up the kit…
fitted-carry = { $fitted } fitted, { $spare } to carry
how-made = How it is made
isolator-rated = isolator rated
main-fuse-more = for the main fuse or more
isolator = isolator
posts-busbars-studs-covered = posts, busbars and studs covered
covers = covers
studs-busbar = studs on the busbar
four-lugs-each-most = four lugs on each at most
studs-busbar-2 = studs of the busbar
thread-studs = thread of the studs
colour-negative = colour of the negative
low-voltage = low voltage
spare-fuses-kit-2 = Spare fuses in the kit
count-spare-fuses = Count the spare fuses

## Network
network = The network
all-can-coincide-inverter = , all that can coincide on, the inverter at full load, chargers off, copper at 60 °C. Cables alone.
worst-moment-bank = Worst moment: the bank at { $low_v }{ $all_can_coincide }
busbar-worst-moment = Busbar, worst moment
busbar-usual-moment = Busbar, usual moment
short-circuit-current-bank = Short-circuit current at the bank
short-circuit-current-busbar = Short-circuit current at the busbar
busbars-negative-side = Busbars and negative side
school = approach
marine-bundles-conductor-no = marine: bundles by conductor, no chassis return
busbars = busbars
layout-busbars = layout of the busbars
shunt-banks-negative = a shunt on the bank’s negative
monitor-counts-what-passes = the monitor counts what passes it
shunt = shunt
high-interrupt-fuse-each = a high-interrupt fuse on each battery
battery-fuses = battery fuses
bonds-chassis = bonds to the chassis
one-load-side-shunt = one, on the load side of the shunt
chassis-bonds = chassis bonds
size-bond = size of the bond
half-main-mm-more = half the main, 16 mm² or more
size-chassis-bond = size of the chassis bond

## OtherCables
head-finding = finding
head-code = code
head-cable = cable
head-length = length
head-size = size
head-flows = flows
head-carries = carries
trailer-lights = Trailer lights
chassis-bond = Chassis bond
bond-gas-pipe = Bond of the gas pipe
bond-hull = Bond of the hull
added-cable = added a cable
other-cables = Other cables
panels-inlet-inverter-bonds = from panels, inlet and inverter; bonds and earths
add-another-cable = Add another cable
add = add…
protected = protected by
take-out = take out
length-2 = { $name }: length
size-2 = { $name }: size
fault-only = a fault only
remove = Remove { $name }
removed = removed { $name }
remove-2 = remove
use = use { $best_text }

## PanelPicture
mm = to { $x_mm }, { $y_mm } mm
switch-panel-mm-parts = Switch panel, { $w } by { $h } mm, { $shapes_count } { $shapes_count ->
        [one] part
       *[other] parts
    }, { $ok ->
        [yes] everything fits
       *[no] something clashes
    }
left-below-clashes = { $label }{ $has_circuit_code ->
        [yes] , { $circuit_code }
       *[no] { "" }
    }, { $word }, { $x } from the left, { $y } from below{ $wrong ->
        [yes] , clashes
       *[no] { "" }
    }
scale-full-line-front = To scale. Full line: front; dashes: what is cut; under each its engraved label. Drag, or arrows for 1 mm and Shift for 10.

## PanelSlate
switch-panel = on the switch panel: { $word }
engraved-label = engraved label
label = label
what-2 = what it is
kind = kind
switches-feeds = switches or feeds
circuit-2 = circuit
rated-direct-current = rated, at direct current
makers-figure-typical-where = the maker’s figure; typical where empty
typical = typical
works-relay-load = works a relay by the load
over-thin-wire-fused = over a thin wire fused at 1 A; the switch no longer carries the load
relay-2 = relay
middle-left = middle, from the left
place = place
middle-below = middle, from below
remove-panel = Remove from the panel
switch-panel-2 = Switch panel
parts-mm = { $things_count } { $things_count ->
        [one] part
       *[other] parts
    } on { $width_mm } × { $height_mm } mm
none-yet = none yet
switch-ratings-direct-current = Switch ratings are for direct current: an AC rating does not carry over. Cut only with nothing live behind.
everything-fits-every-switch = Everything fits, and every switch carries its circuit.
put = put on it
put-plate = Put on the plate
choose-part = choose a part…
width = width
height = height
free-behind = free behind it
not-measured = not measured
doors-clear-opening = from the door’s clear opening
m-most-reach-outside = 0.6 m at most, to reach it from outside
middle-above-floor = its middle above the floor
m = 0.7 to 1.5 m
reached-bed = reached from the bed
dxf = 1:1 DXF
print = Print 1:1
remove-panel-2 = Remove the panel

## Raceways
mm-2 = ⌀ { $inner_diameter_mm } mm
raceway = raceway
inside = inside
circuits = circuits in it
full = full
raceways = Raceways
signal-cables = signal cables
signal-cables-2 = Signal cables
signal-cables-3 = Signal cables in it
what-3 = what
power-cables = from the power cables
touching = touching
screened = screened
took-signal-cable-out = took a signal cable out
put-signal-cable-into = Put a signal cable into it
signal-cable = a signal cable
put-signal-cable-into-2 = put a signal cable into it…
cables = { $cable_count } { $cable_count ->
        [one] cable
       *[other] cables
    }
how-full = how full it is
inside-diameter = inside diameter
mm-would-do = { $suggested_mm } mm would do
inside-width = inside width
inside-height = inside height
partition-between-mains-low = a partition between mains and low voltage
all-insulation-made-mains = or all insulation in it made for mains
partition = partition
circuits-2 = Circuits in it
way = Its way
before-drilling-look-both = Before drilling, look at both sides: fuel, gas, brake lines, airbags, beams of the curtain. Nothing passes through a gas locker.
runs-upright = runs upright
upright = upright
clips-apart = clips apart
holes-through-metal = holes through metal
grommet-trim = with a grommet or trim
gas-pipe-beside = from a gas pipe beside it
mm-more-2 = 100 mm or more
none-there = none there
passes-gas-locker = passes a gas locker
gas-locker = gas locker
flame-flue = from a flame or flue
mm-more-3 = 300 mm or more
remove-raceway = Remove this raceway

## Route
route = Its route
insulation = insulation
laid = laid
route-2 = route
loaded-circuits-bundle = loaded circuits in the bundle
raceway-counts = { $together } with its raceway: that counts
bundle = bundle
wholly-inside-insulation = wholly inside insulation
covered-length = covered length
passes-engine-space = passes the engine space
engine-space = engine space
tinned-strands = tinned strands
boats-wet-bays = for boats and wet bays
tinned = tinned
returns-through-chassis = returns through the chassis
return = return
size-return = size of its return
where-differs = where it differs
positive = as the positive
size-return-2 = size of the return
cables-equal = its cables are equal
size-length-lug-route = size, length, lug and route
equal-cables = equal cables
joint = joint in it
joint-2 = joint
labelled = labelled at
labels = labels
outlets = outlets on it
outlets-2 = outlets
fuse-opens = its fuse opens in
data-sheet-dead-short = data sheet, at a short circuit
not-known = not known
clearing-time = clearing time

## WhatIf
lost-busbar-appliance = lost from busbar to appliance
lost-cable = lost on this cable
voltage-end-worst-moment = voltage at its end, worst moment
heat-cable = heat in the cable
cable-carries = the cable carries
current = current
now-2 = now
then-2 = then
goes = goes: { $title } ({ $subject_name })
comes = comes, { $severity }: { $title } ({ $subject_name })
no-danger-problem-comes = No danger or problem comes or goes.
what-if = What if
what-if-were-longer = What if it were longer, thicker, heavier?
size-cable = size of the cable
power = power of { $load }
kept-what-was-tried = { $name }: kept what was tried
keep-2 = Keep it
back-what = Back to what it is
slide-one-nothing-kept = Slide one; nothing is kept until you press a button below.

## Wiring
circuits-3 = Circuits
lighting = Lighting
add-circuit-n = Add a circuit (n)
add-raceway-n = Add a raceway (n)
add-zone-n = Add a zone (n)
diagram-pdf = Diagram, PDF
diagram-svg = Diagram, SVG
circuit-schedule-pdf = Circuit schedule, PDF
circuit-schedule-csv = Circuit schedule, CSV
circuit-schedule-xlsx = Circuit schedule, XLSX
label-sheet-pdf = Label sheet, PDF
lists-bench-pdf = Lists for the bench, PDF
lists-bench-xlsx = Lists for the bench, XLSX
print-schedule = Print the schedule
print-labels = Print the labels
print-lists = Print the lists
assumed-until-measured-along = assumed until it is measured along the route
code = code
from = from
busbar-2 = busbar
one-way = one way
cable = cable
not-sized = not sized
lost = lost
by = by
load-fuse-cable = load · fuse · cable
nothing-propose-zones-stand = Nothing to propose: zones stand already, or Daily use holds fewer than two lights.
nothing-propose-until-daily = Nothing to propose until Daily use holds appliances.
wiring = Wiring
v-circuits-board-boards = { $system_voltage_v } V, { $circuits_count } { $circuits_count ->
        [one] circuit
       *[other] circuits
    } on { $boards_count } { $boards_count ->
        [one] board
       *[other] boards
    }, { $is_awg ->
        [yes] cable by AWG
       *[no] cable by mm²
    }
not-sized-yet = { $unsized } not sized yet
lengths-assumed-until-they = { $guessed } { $guessed ->
        [one] length assumed until it is measured
       *[other] lengths assumed until they are measured
    }
fuse-protects-cable-cable = . The fuse protects the cable; the cable suits the load.
no-circuit-yet-take = No circuit yet. Take Bothy’s proposal below: it groups the appliances, gives each heavy one its own cable, and sizes all of them.
ledger = Table of
add-board = Add a board
paste-import = Paste or import…
no-raceway-yet-add = No raceway yet. Add the pipes, trunkings and rows of clips that cables take: Bothy calculates how full each is and what must not lie together.
no-lighting-zone-yet = No lighting zone yet. Take Bothy’s below, or add one: lights that go on together, and where from.
say-daily-use-what = Say in Daily use what will run (key 2); its circuits are proposed here.

## WiringSlate
circuits-boards = { $circuits_count } { $circuits_count ->
        [one] circuit
       *[other] circuits
    }, { $boards_count } { $boards_count ->
        [one] board
       *[other] boards
    }
fuse-first-source-no = Fuse first, at the source: no cable is connected to the bank before its fuse holder is in and empty. { $licensed }
no-finding-every-circuit = No finding: every circuit has its cable and its fuse.
no-circuit-yet-nothing = No circuit yet, so nothing to find.

## Zones
zone = zone
lights = lights
on = on
power-2 = power
switched = switched by
way-2 = way
lighting-zones = Lighting zones
switch-panel-3 = on the switch panel
above-floor = above the floor
cable-board = cable from the board
cable-place-before = cable from the place before
remove-place = Remove this place
bed = By the bed
another-place = another place
lighting-zone = lighting zone
thin-wires-every-push = Thin wires from every push-button to the latching relay by the lamps.
strappers-between-two-two = { $between_count } { $between_count ->
        [one] strapper
       *[other] strappers
    } between the two two-way switches, 3 conductors where the feed travels along.
switched-2 = Switched from
took-place-away = took a place away
another-place-2 = Another place
cable-last-switch-lamps = cable from the last switch to the lamps
way-lamps = way to the lamps
lights-2 = Lights in it
now-3 = now in { $name }
within-reach-outside = Within reach from outside: { $from_door }.{ " " }
bed-2 = From the bed: { $from_bed }.
remove-zone = Remove this zone

## edit
moved = moved { $name }
another = another { $name }
circuit-3 = Circuit { $circuits_count }
added-circuit = added a circuit
put-appliance-2 = put an appliance on { $name }
bothy-suggests = as Bothy suggests
board-2 = Board { $boards_count }
added-board = added a board
feed = { $name } feed
feeder-2 = a feeder for { $name }

## panel
push-button = push-button
rocker-switch = rocker switch
round-rocker = round rocker
dimmer = dimmer
fan-speed-control = fan speed control
v-usb-socket = 12 V or USB socket
voltmeter = voltmeter
round-gauge = round gauge
remote-display = remote display
plate = plate
put-plate-2 = put a { $kind } on the plate
took-off-plate = took { $label } off the plate
took-switch-panel-away = took the switch panel away

## routes
raceway-2 = Raceway
into-out-raceway = { $name }: { $on ->
        [yes] into
       *[no] out of
    } a raceway
zone-2 = Zone
moved-light-another-zone = moved a light to another zone

## words
circuit-appliances = circuit of appliances
mains-circuit-licensed-work = mains circuit: licensed work
feed-inverter = feed of the inverter
solar-controller = from the solar controller
driving-charger = from the driving charger
starter-battery-charger = from the starter battery to the charger
shore-charger = from the shore charger
feeder-board = feeder of a board
main-bank = main, from the bank
trickle-starter-battery = trickle for the starter battery
fuse-2 = fuse
usual-2 = the usual for it
blade = blade
blade-mini = blade, mini
blade-maxi = blade, maxi
bolt-down-mm = bolt-down, 30 mm
bolt-down-mm-2 = bolt-down, 51 mm
slotted-strip = slotted strip
block-post = block on the post
high-interrupt-cartridge = high-interrupt cartridge
cylinder-panels-mm = cylinder for panels, 10 × 38 mm
thermal-breaker = thermal breaker
dc-rail-breaker = DC rail breaker
dc-not-polarised = DC, not polarised
dc-polarised = DC, polarised
ac-only = AC only
negative-busbar = the negative busbar
battery-post = the battery post
vehicle-practice = vehicle practice
marine-practice = marine practice
two-lithium-else-one = two with lithium, else one
one-busbar = one busbar
charge-load-bus = a charge and a load bus
critical = critical, 3 %
non-critical = non-critical, 10 %
charging = charging, 1.25 %
feeder-3 = feeder, 1 %
input-dc-dc-charger = input of a DC-DC charger, 6 %
free-air = in free air
conduit = in conduit
against-insulation = against insulation
pipe = pipe
trunking = trunking
open-clips = open, on clips
ethernet = Ethernet
hdmi = HDMI
usb = USB
bus-vehicle-kind = bus of the vehicle kind
antenna-cable = antenna cable
sender-probe = sender or probe
shunt-display = shunt display
one-switch = one switch
two-way-switches-two = two-way switches at two places
push-buttons-latching-relay = push-buttons and a latching relay
none-whole-cable = none: whole cable
one-can-reached = one that can be reached
behind-fixed-lining = behind a fixed lining
not-looked-yet = not looked at yet
both-ends = both ends
board-only = at the board only
far-end-only = at the far end only
neither-end = neither end
yes = yes
no = no
black = black
yellow = yellow
nothing-trips = nothing: it trips
shed-hand = shed by hand
shed-relay = shed by a relay
