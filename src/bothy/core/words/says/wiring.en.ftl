# What wiring says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## buying
not-made-as-ratings = { SHORT($rating_a) } A is not made as { $family_name }; its ratings are { $rs }
must-be-at-least = must be at least 1 piece in a pack
to-buy-pieces-in = ⌈to buy/pieces in a pack⌉
metres-needed = Metres needed
cheapest-pack-size-then = cheapest pack size, then fewest packs
chosen-pack = chosen pack
length-cut = Length to cut

## circuits
along-way-in-fit = along its way in Fit
until-measured = until it is measured
one-way = one way
length-one-way = length, one way
nothing-draws-current-here = nothing draws current here yet
current-one-cable = Current of one cable
no-single-cable-carries = no single cable carries this:{" "}
ampacity-equal-cables = Ampacity of the equal cables
start-that-lasts = Start that lasts
start-current-within-appliances = start current, within the appliance’s largest fuse
appliances-own-largest-fuse = the appliance’s own largest fuse
least-fuse = Least fuse
no-single-cable-carries-on = no single cable carries { FIX($wanted_a, digits: 0) } A on this route

## conductors
give-area-or-awg = give the area (area_mm2) or awg, not both
required-or-awg = is required (or awg)
must-be-below-insulations = ({ SHORT($air_c) } °C) must be below the insulation’s { $insulation_temp_c } °C
class-copper = class 5 copper, { $name }
as-given = as given
table-between-neighbours-by = table, between neighbours by logarithms
class-free-air = { $name }, class { $insulation_temp_c } °C, 30 °C, free air
at-least-in-engine = at least 50 °C in an engine space
together = { $bundled_count } together, { $bundle_method }
resistance = Resistance
resistance-per-metre-temperature = Resistance per metre at temperature
ampacity = Ampacity
ambient-factor = Ambient factor

## conduit
give-inner-diameter-for = give the inner diameter (inner_diameter_mm) for a pipe, or the width (width_mm) and the height (height_mm) for trunking
trunking-needs-width-and = trunking needs the width (width_mm) and the height (height_mm)
nfpa-chapter-by-number = NFPA 70 chapter 9, by the number of cables
next-stock-size = next stock size
more-than-any-usual = , more than any usual pipe: share them out.
takes-allowed-at-most = { $cables } { $one ->
    [yes] takes
   *[no] take
 } { PER_CENT($fill_frac, digits: 0) } of { $inside }; { PER_CENT($limit_frac, digits: 0) } is allowed at most. { $one ->
    [yes] It needs
   *[no] They need
 } { FIX($required_inner_diameter_mm, digits: 0) } mm inside{ $end }
least-inside-diameter = Least inside diameter
fill = Fill

## continuity
class-copper-2 = class 5 copper, { SHORT($area_mm2, digits: 4) } mm²
fall-design-current = Fall at design current
largest-reading = Largest reading
least-reading = Least reading
expected-reading = Expected reading
loop-resistance = Loop resistance

## currents
running-power = running power
highest-charge-voltage = highest charge voltage
appliances-own = the appliance’s own
system-voltage-typical = 11/12 of the system voltage, typical
dc-dc-adapter = DC-DC adapter
design-current-circuit = Design current of the circuit
nothing-chosen-yet-that = nothing is chosen yet that feeds it
current-feed = current of the feed
nothing-on-board-yet = nothing on its board yet
boards-current = board’s current
design-current-feeder = Design current of the feeder
design-current-main = Design current of the main
out-bank = Out of the bank
into-bank = Into the bank
larger-what-flows-out = larger of what flows out and what flows in
at-peak = { $a_name } at the peak
largest-circuit = Largest circuit
current-board = Current of the board
current-straight-off-busbar = Current straight off the busbar
larger-what-coincides-and = larger of what coincides and its largest circuit
mains-current = Mains current
design-current-resistive-appliance = Design current of a resistive appliance
design-current-appliance = Design current of an appliance

## diagram
no-circuit-yet = no circuit yet

## diagram_layout
nothing-on-yet = nothing on it yet
relay-worked-by-on = { $relay ->
    [yes] relay, worked by
   *[no] switch
 } “{ $label }” on the panel
returns-through-chassis = returns through the chassis
to-battery-post = to the battery post
circuits-folded = { $inside_count } { $inside_count ->
        [one] circuit
       *[other] circuits
    } hidden
in-all-press-to = { FIX($amps_a, digits: 1) } A in all; press to unfold
ways = { $members } of { $way_count } { $way_count ->
        [one] way
       *[other] ways
    }
negative = negative of { $letter } { $b_name }
mains-board = Mains board
licensed-work = licensed work
behind-inverter = { $residual_device }, behind the inverter
automatic-change-over = automatic change-over
change-over-switch = change-over switch
separate-sockets = separate sockets
joined-without-change-over = joined without a change-over
change-over-not-entered = change-over, not entered
arrays = { $arrays_count } { $arrays_count ->
        [one] array
       *[other] arrays
    }
panel = { $count } { $count ->
    [one] panel
   *[other] panels
 }, { SHORT($watts_w) } W
second-alternator = Second alternator
own-regulator = own regulator
starter-battery = Starter battery
and-alternator = and alternator
inlet = Inlet { SHORT($inlet_current_a) } A
licensed = { SHORT($mains_v) } V, licensed
fuse-on-each-battery = a fuse on each battery
fuse-at-other-end = fuse at the other end, { SHORT($far_fuse_a) } A
fuse-in-each-string = a fuse in each string
disconnect-panels = disconnect of the panels
at-inlet = { $residual_device } at the inlet
negative-busbar = Negative busbar
shunt-battery-monitor = shunt of the battery monitor
bond-to-chassis = bond to the chassis{ $size }
charge-bus = Charge bus
load-bus = Load bus

## distribution
data-sheet = data sheet of { $bank_name }
resistance-one-block = Resistance of one block
typical-low-on-purpose = { $chem_name }, typical; low on purpose
as-part-block = { SHORT($unit_voltage_v) } V of { $chem_name }, as a part of a 12 V block
typical-posts-links-and = typical of posts, links and lugs
typical-electronics-chain-cells = typical of its electronics; a chain of cells has one
resistance-bank-as-loads = Resistance of the bank, as the loads see it
full-at-rest = full { $chem_name }, at rest
there-and-back-at = there and back at 20 °C
cables-on-way = Cables on the way
lost-on = Lost on { $names }
voltage-drop-from-busbar = Voltage drop from busbar to appliance
voltage-drop-from-busbar-as = Voltage drop from busbar, as part of nominal
voltage-at-end-worst = Voltage at its end, worst moment
voltage-at-end-usual = Voltage at its end, usual moment
short-circuit-current-at = Short-circuit current at its fuse
short-circuit-current-at-far = Short-circuit current at its far end
short-circuit-current-here = Short-circuit current here
heat-in-all-cables = Heat in all cables, worst moment
typical-kind = typical of its kind

## drop
must-be-at-most = must be at most half the nominal voltage ({ SHORT($nominal_voltage_v) } V)
voltage-collapse-at-most = voltage collapse: at most { SHORT($most_w, digits: 4) } W can pass this cable
there-and-back = there and back
chassis-return = chassis return
fuses-contacts-bodywork = fuses, contacts, bodywork
nominal-voltage = the nominal voltage
third-spread-loads-cable = a third of a spread load’s cable
over-uses-up-whole = { SHORT($current_a, digits: 4) } A over { SHORT($loop_mohm, digits: 4) } mΩ uses up the whole source voltage
tightest-what-given-else = the tightest of what is given, else the class’s part of nominal
heat-cable = Heat in the cable
voltage-load = Voltage at the load
current-constant-power-load = Current of a constant-power load
drop-part-nominal = Drop as a part of nominal
drop-far-end-spread = Drop at the far end of a spread load
voltage-drop = Voltage drop

## feeding_rules
from-starter-battery = { $driving_name }, from the starter battery
to-busbar = { $bank_name }, to the busbar
no-circuit-carries-current = No circuit carries its current yet, so nothing says which cable and fuse it needs.
trickle-runs-from-house = A trickle runs from the house bank to the starter battery: a thin cable between two batteries, and no fuse is entered for it.
board-has-circuit-on = The board has { $ways } { $ways ->
    [one] circuit
   *[other] circuits
 } on { $way_count } { $way_count ->
    [one] way
   *[other] ways
 }.
use-tinned-cable = Use tinned cable
wiring = Wiring
in-circuit-cable-not = In { $bare_count } { $bare_count ->
    [one] circuit
   *[other] circuits
 } the cable is not tinned; salt and damp air eat bare copper.
cables-conductors-solid-they = The cable’s conductors are solid; they break where a vehicle shakes.
use-stranded-cable = Use stranded cable
one-fuse-stands-before = One fuse of { SHORT($fuse_a) } A stands before { $parallel_count } { $parallel_count ->
        [one] cable
       *[other] cables
    } of { FIX($one_a, digits: 0) } A: when one comes loose the other carries it all, and the fuse stays whole.
goes-dark-when-blows = “{ $alarms_name }” goes dark when “{ $next }” blows the fuse.
must-run-also-while = “{ $dead }” must run also while the isolator is off, and its circuit comes after it.
stays-live-without-need = The circuit is fed from before the isolator, and nothing on it must run while that is off: whoever switches off for work or in a fire still has it live.
feed-stays-live = The feed begins before the isolator: with that off, everything behind this feed stays live.
feed-from-behind-isolator = Feed it from behind the isolator
mains-socket-in-washroom = A mains socket hangs in the washroom, within reach of wet hands and of the shower.
mains-appliance-in-washroom = A mains appliance is used in the washroom: only fixed equipment that is made for wet rooms belongs within reach of the shower.
feed-from-before-isolator = Feed the circuit from before the isolator
there-one-for = There is one for { SHORT($rating_a) } A
fit-one-for = Fit one for { SHORT($rating_a) } A
in-fire-or-crash = In a fire or a crash the bank must be cut off in one move. The main fuse is { SHORT($needed_a) } A.
there-none = There is none
in-fire-or-crash-nothing = In a fire or a crash nothing cuts off the bank behind its { SHORT($needed_a) } A fuse in one move.
piece-before-fuse-protected = The piece before the fuse is protected by nothing, and the bank drives thousands of amps into a fault there.
away = It is { SHORT($m) } m away

## fuses
blade = 19 mm blade
blade-2 = 11 mm blade
blade-3 = 29 mm blade
slotted-strip = slotted strip
block-fuse-on-post = block fuse on the post
high-interrupt-cartridge = high-interrupt cartridge
pv-cylinder = PV cylinder
thermal-breaker = thermal breaker
dc-rail-breaker = DC rail breaker
required-with-inrush-current = is required with the starting current (inrush_current_a)
for = for { SHORT($inrush_time_s) } s
larger-running-and-start = larger of running and start
largest-fuse = Largest fuse
smallest-cable-appliance-holder = smallest of cable, appliance, holder and terminal
at-typical = { $family_name } at { SHORT($system_voltage_v) } V; typical
smallest-standard-rating-in = smallest standard rating in the window
fuse-2 = Fuse
least-fuse-start = Least fuse for the start
least-fuse-running-load = Least fuse for the running load

## leads
not-lead-leads = { $size } is not a lead; leads are { $sizes }
leg-leads-to-which = of leg '{ $x_id }' leads to '{ $at }', which is no leg and not the inlet
leg-goes-round-in = leg '{ $x_id }' goes round in a circle over '{ $at }'; every leg must lead back to the inlet
class-copper-3 = class 5 copper, { $size }
drop-up-to-here = drop up to here + along this leg
cheapest-set-that-reaches = cheapest set that reaches; ties: fewer, then shorter
drop-along-lead = Drop along a lead

## lighting
to-lamps = to the lamps
way-from-board-over = Way from board over the switches to the lamps
switch-panel = Switch panel
by-bed = By the bed
zone-has-switches-and = The zone has switches and no light.
zone-has-lights-and = The zone has lights and no switch.
over-switches-has-cable = Over its switches “{ $z_name }” has { FIX($way_m, digits: 1) } m of cable; its circuit has { SHORT($length_m) } m, from which its voltage drop is calculated.
make = Make the circuit { FIX($way_m, digits: 1) } m long
nearest-switch-from-door = The nearest switch is { SHORT($near_m) } m from the door
how-far-switches-from = How far the switches are from the door is not entered
within-opening-and-to = { $told }; within { SHORT($reach_m) } m of the opening and { SHORT($low_m) } to { SHORT($high_m) } m above the floor a person outside reaches it.
at-door = At the door
add-switch-at-door = Add a switch at the door for { $z_name }
night = Night
outside = Outside
roof = Roof
entrance = Entrance
garage = Garage
washroom = Washroom
bed = Bed
living = Living
kitchen = Kitchen

## lists
insulated-ring-red = insulated ring, red
insulated-ring-blue = insulated ring, blue
insulated-ring-yellow = insulated ring, yellow
tube-lug = tube lug
tube-lug-hydraulic-or = tube lug, hydraulic or lever crimp
tube-lug-hydraulic = tube lug, hydraulic
mains = { $code } { $c_name }, mains

## loop_test
likely-causes-bad-crimp = Likely causes: a bad crimp, a thinner cable than planned, or a longer route.
cores-touch-before-far = The cores touch before the far end, or the cable is shorter than the design says.
far-ends-arent-joined = The far ends aren’t joined, or a conductor is broken.
loop-measured-to-right = The loop measured { SHORT($measured_mohm, digits: 4) } mΩ; { FIX($low_mohm, digits: 0) } to { FIX($high_mohm, digits: 0) } mΩ is right. { $causes }

## mains
as-inlet = as the inlet
what-supply-carries-for = What the supply carries continuously
what-can-run-at = what can run at once on it
charger-at-full-output = charger at its full output, 88 % efficient, typical
current-from-supply = Current from the supply
current-on-fuller-two = Current on the fuller of two legs
lost-from-supply-as = Lost from the supply, as a part of the voltage

## mains_rules
mains-side = Mains side
nothing-cuts-supply-when = Nothing cuts the supply when current leaks through a person.
inverters-output-has-no = The inverter’s output has no residual-current device of its own; the one on shore power does not see it.
put-one-behind-inverter = Put one behind the inverter
single-pole-breakers-leave = Single-pole breakers leave the other conductor live; on a foreign pitch it may be the line.
fit-double-pole-breakers = Fit double-pole breakers
sockets-need-double-pole = Sockets need double-pole switches here.
fit-double-pole-sockets = Fit double-pole sockets
shore-and-inverter-joined = Shore and inverter are joined with nothing that keeps them apart.
put-in-automatic-change = Put in an automatic change-over
neutral-earth-bonds-exactly = The neutral-earth bonds are { $wrong }; exactly one is right in each mode. With none no fault trips the breaker, with two the residual-current device trips without one.
bond-by-relay = Bond by relay
no-bond-to-bodywork = No bond to the bodywork is entered.
bond-to-bodywork-at = The bond to the bodywork is { SHORT($chassis_bond_mm2) } mm²; at least { SHORT($least_bond_mm2) } mm² carries a fault.
without-fault-makes-bodywork = { $told } Without it a fault makes the bodywork live.
bond-with = Bond with 4 mm²
appliances-for-can-run = Appliances for { FIX($supply_a, digits: 1) } A can run at once; the supply carries { FIX($limit_a, digits: 1) } A continuously.
together-may-run-and = {" "}Together may run: { $together }{ $together_count_over ->
    [yes] {" "}and more
   *[no] {""}
 }. Off meanwhile: { $shed }{ $shed_count_over ->
    [yes] {" "}and more
   *[no] {""}
 }.
shed-rest-by-relay = Shed the rest by relay
outlets = { $count } { $count ->
        [one] outlet
       *[other] outlets
    }
outlet = an outlet
together-may-run-not = {" "}Together may run: { $d_names }; not with them: { $d_names_2 }.
too-much-for-by = {" "}Too much for it by itself: { $d_names }.
one-breaker-feeds = One breaker of { SHORT($fuse_a) } A feeds { $outlets } of { SHORT($socket_a) } A.
what-planned-on-them = {" "}What is planned on them may all run together.
residual-current-device-poles = Residual-current device, poles, change-over and bonds are not entered yet. { $licensed }
use-usual-one = Use the usual one
breaker-stands-before-leads = The breaker of { SHORT($fuse_a) } A stands before leads for { SHORT($lead_rating_a) } A: they overheat before it trips. { $licensed }
route-with-to-spare = The route is { SHORT($length_m) } m, with 5 % to spare: no { $m ->
    [yes] set of leads
   *[no] single lead
 } in stock is that long.
lead-longer-than-route = The lead is { FIX($leads_m, digits: 1) } m longer than its route and carries { FIX($current_a, digits: 1) } A: coiled up, it overheats.
lead-carries-unrolled-post = The lead of { $named } carries { SHORT($rating_a) } A unrolled; the post gives { SHORT($post_a) } A.
lead-loses-at-should = The lead of { SHORT($length_m) } m of { $named } loses { PER_CENT($lost, digits: 1) } at { SHORT($carried_a) } A. It should lose at most { PER_CENT($post_drop, digits: 0) }.
breaker-there-for = ; the breaker there is for { SHORT($inlet_breaker_a) } A
post-gives-inlet-made = The post gives { SHORT($post_a) } A, the inlet is made for { SHORT($inlet_a) } A{ $have }.
fit-breaker-at-inlet = Fit a breaker of { SHORT($inlet_a) } A at the inlet
residual-current-device-type = The residual-current device is of type AC, which electronics with a direct current can blind.
fit-type = Fit type A
through-shores-earth-hull = Through the shore’s earth the hull and its fittings form a battery with every other boat on the pier
and-metal-hull-eaten = , and a metal hull is eaten away.
fit-galvanic-isolator = Fit a galvanic isolator
there-isolator = There is a galvanic isolator
there-isolating-transformer = There is an isolating transformer
there-neither = There is neither
post-with-lost-neutral = A post with a lost neutral puts 240 V on 120 V appliances.
fit-surge-protection = Fit surge protection
there-one = There is one
fit-cutting-all-live = Fit { $residual_device }{ $mains_poles_double ->
    [yes] , cutting all live conductors
   *[no] {" "}at the outlets
 }.
put-in = Put in { $residual_device }
fit = Fit { SHORT($fitting_a) } A

## making_rules
joint-where-failures-this = A joint is where failures are; this one cannot be reached.
lay-one-whole-cable = Lay one whole cable instead
cables-in-parallel-not = The { $parallel_count } { $parallel_count ->
        [one] cable
       *[other] cables
    } in parallel are not alike, so they do not share the current: one takes most of it.
make-them-alike = Make the cables alike
negative-cable-may-carry = The negative cable ({ $size_text }) may carry { FIX($carries_a, digits: 1) } A. The fuse allows { SHORT($fuse_a) } A, and all of it returns through the negative.
use-same-size-as = Use the same size as the positive
either-end = either end
far-end = its far end
near-end = its near end
cable-has-no-label = The cable has no label at { $ends }.
enter-that-both-labels = Enter that both labels are on
class-insulation = class of its insulation
pvc-cautious = PVC, cautious
short-circuit-ruins-cable = A short circuit of { FIX($fault_ka, digits: 1) } kA ruins the cable in { FIX($stands_ms, digits: 1) } ms; its fuse opens in { SHORT($clearing_time_ms) } ms.
busbar = Busbar
busbar-has-lugs-on = The busbar has { $lugs } { $lugs ->
        [one] lug
       *[other] lugs
    } on { $bus_studs_count } { $bus_studs_count ->
    [one] stud
   *[other] studs
 }; more than { $most_lugs } on one work loose.
fit-busbar-with-studs = Fit a busbar with { $need } { $need ->
        [one] stud
       *[other] studs
    }
lugs-for-made-for = Lugs for { $size_text } are made for { $stud }; the busbar has M{ $bus_stud_mm }.
kit-lacks-and-more = The kit lacks { $lacking }{ $lacking_count_over ->
    [yes] {" "}and more
   *[no] {""}
 }.
dropped-spanner-across-two = A dropped spanner across two posts welds itself on and burns.
enter-that-covers-on = Enter that the covers are on
isolator-for-behind-main = The isolator is for { SHORT($isolator_a) } A, behind a main fuse of { SHORT($largest_a) } A.

## network
required-or-size-area = is required, or a size (area_mm2 or awg) with the length (length_m)
must-be-another-node = must be another node than '{ $from_ }'
negative-post-source-stands = '{ $node }' { $node_is ->
    [yes] is the negative post
   *[no] has two sources
 }; a source stands between its own node and ref
load-which-no-source = of load '{ $load_id }' is '{ $node }', which no source and no branch names
no-source-can-reach = no source can reach { $apart }, whatever is switched on
solved-with-all-other = solved with all other nodes; against the negative post
steps-until-no-voltage = steps until no voltage moves by 1e-9 V
or-as-given-at = P/V, V/R or as given, at the voltage solved
no-source-reaches-as = no source reaches it as switched
voltage-lost-branch = Voltage lost on the branch

## network_rules
voltage-drop-from-busbar-to = Voltage drop from busbar to appliance: { FIX($path_drop_v, digits: 2) } V ({ PER_CENT($path_drop_frac, digits: 1) }) at worst{ $most }. The limit is { FIX($limit_v, digits: 2) } V ({ $replace }).
at-this-size-cable = {" "}At this size the cable may be { FIX($max_length_m, digits: 1) } m long at most.
at-full-load-and = At full load and a low bank { FIX($worst_v, digits: 2) } V arrive; an inverter switches off under { SHORT($inverter_least_v) } V.
in-worst-case-gets = In the worst case { $a_name } gets { FIX($worst_v, digits: 2) } V; it needs at least { SHORT($v) } V.
short-circuit-at-far = A short circuit at the far end draws { FIX($far_fault_a, digits: 0) } A; the { SHORT($fuse_a) } A fuse needs { SHORT($quick_break_a) } A to blow at once.
fuse = a fuse
fuses = { $items_count } { $items_count ->
        [one] fuse
       *[other] fuses
    }
short-circuit-right-behind = A short circuit right behind the board could reach { FIX($fault_ka, digits: 1) } kA; { $many } on it can safely break only { SHORT($least_ka) } kA.{" "}
main-fuse-would-clear = The main fuse would clear it, and cut all power.
no-main-fuse-would = No main fuse would clear it for them: fit one with enough breaking capacity.
use-longer-or-thinner = Use a longer or thinner feeder, or fuses of a family that breaks more.
when-one-batteries-in = When one of the { $parallel_count } { $parallel_count ->
        [one] battery
       *[other] batteries
    } in parallel fails, { FIX($amps_ka, digits: 0) } kA flow into it past the main fuse.
fit-high-interrupt-fuse = Fit a high-interrupt fuse on each battery
fit-fuse-on-post = Fit a fuse on the post of each battery.
one-battery-this-size = One battery of this size may push
fault-in-one-battery = A fault in one battery may draw from the other { $parallel_count }
data-sheet-was-taken = { SHORT($unit_resistance_mohm) } mΩ of the data sheet was taken.
resistance-typical-low-on = The resistance is typical, low on purpose, with 0.5 mΩ of posts and links.
more-than-high-interrupt = { $whose } { FIX($worst_ka, digits: 0) } kA, more than the 20 kA of a high-interrupt fuse. { $taken }
ask-maker-for-internal = Ask the maker for the internal resistance; smaller batteries in parallel, each with its fuse.
fuse-stands-above-fault = The fuse of { SHORT($fuse_a) } A stands above the { SHORT($fuse_a_2) } A of { $d_name }: a fault there may open both. At least { FIX($wanted_a, digits: 0) } A would leave the rest on.
sheath-that-piece = Sheath that piece
before-fuse-cable-unprotected = Before the fuse { SHORT($fuse_distance_m) } m of cable are unprotected. It may be at most { SHORT($limit_m) } m.
fuse-sits-in-holder = The { SHORT($fuse_a) } A fuse sits in a holder for { SHORT($holder_rating_a) } A.
through-relay-both-batteries = Through a relay both batteries can push into a fault on this cable; only one end is fused.
fit-at-other-end = Fit { SHORT($fuse_a) } A at the other end too
made-for-ac-at = Made for AC: at DC its arc may not go out.
polarised-and-here-current = Polarised, and here the current flows both ways.
fit-non-polarised-dc = Fit a non-polarised DC breaker
circuits-negative-goes-straight = The circuit’s negative goes straight to the battery post, past the shunt, so the monitor doesn’t see its current.
land-on-busbar = Land the negative on the busbar
negative-not-bonded-to = The negative is not bonded to the bodywork, so a fault to the metal blows no fuse.
negative-bonded-to-bodywork = The negative is bonded to the bodywork { $chassis_bond_count } { $chassis_bond_count ->
        [one] time
       *[other] times
    }: current finds its way through the metal and past the shunt.
keep-one-bond = Keep one bond
bond-at-least-would = The bond is { SHORT($chassis_bond_mm2) } mm²; at least { SHORT($least_mm2, digits: 4) } mm² would outlast the main fuse.
with-one-busbar-batterys = With one busbar, the battery’s protection cannot switch off charging and leave the loads on, or the reverse.
lay-out-two-busbars = Lay out two busbars
circuits-start-at-this = Circuits start at this board, but no feeder brings it power. Use Bothy’s board feed in the suggestions.
make-ring-neither-fuse = { $w_names } make a ring: neither fuse protects it alone.
at-with-everything-on = At { SHORT($low_v) } V with everything on, no voltage satisfies all loads. { $w_name } needs { FIX($watts_w, digits: 0) } W; at most { FIX($most_w, digits: 0) } W can pass its cable.
fit-on = Fit { $size_text } on { $c_name }
fit-on-2 = Fit { SHORT($rating_a) } A on { $c_name }
fit-2 = Fit { SHORT($size_mm2) } mm²

## other_cables
to-controller = { $arrays } → controller
panels-to-controller = Panels to controller
inlet-to-mains-board = Inlet to mains board
inverter-to-mains-board = Inverter to mains board
chassis-bond-negative-side = Chassis bond of the negative side
mains-earth-to-chassis = Mains earth to chassis
bond-gas-pipe = Bond of the gas pipe
bond-hull-and-fittings = Bond of hull and fittings
trailer-lights = Trailer lights
none-needed-string-feed = none needed: { $strings } string{ $strings ->
    [one] {" "}feeds
   *[other] s feed
 } no more than the cable carries
rating-inlet = rating of the inlet
current-inlet = current of the inlet
breaker-and-residual-current = breaker and residual-current device at the inlet, double-pole
inlet-mains-board = inlet → mains board
inverters-own-limit-breaker = the inverter’s own limit, a breaker and a residual-current device
inverter-mains-board = inverter → mains board
all-lamps-trailer-typical = all lamps of a trailer, typical
current-lights = current of the lights
fuse-in-towing-vehicle = fuse in the towing vehicle; never joined to the house bank
towing-vehicles-plug-lights = towing vehicle’s plug → lights
negative-busbar-chassis = negative busbar → chassis
mains-board-chassis = mains board → chassis
gas-pipe-chassis = gas pipe → chassis
earth-busbar-hull-and = earth busbar → hull and fittings
none-earth-never-fused = none: an earth is never fused or switched
earth-must-carry-fault = The earth is { $size_text }; it must carry a fault until its fuse opens: at least { $best_text }.
earth-must-carry-more = The earth is { $size_text }; it must carry a fault until its fuse opens: at least { FIX($least_mm2, digits: 0) } mm², more than any one cable has.
up-to-may-flow = Up to { FIX($most_a, digits: 1) } A may flow; { $size_text } carries { FIX($ampacity_a, digits: 1) } A.
voltage-drop-over = The voltage drop is { PER_CENT($drop_frac, digits: 1) } over { SHORT($length_m) } m of { $size_text }.
design-doesnt-have-these = The design doesn’t have these cables yet: { $missing }.
fit-3 = Fit { $best_text }

## panel
required-for = is required for a { $shape }
does-not-go-with = does not go with a { $shape }
must-be-at-least-cut = must be at least the cut-out ({ SHORT($getattr_mm) } mm)
number-what-wrong-or = number of what is wrong or thin
least-distance-outline-to = least distance of an outline to an edge
least-gap-between-two = least gap between two outlines

## panel_design
rocker-switch = rocker switch
round-rocker = round rocker
or-usb-socket = 12 V or USB socket
round-gauge = round gauge
fan-speed-control = fan speed control
remote-display = remote display
stands-over-edge-plate = { $one } stands over the edge of the plate.
from-edge-keeps-plate = { $one } is { FIX($value_mm, digits: 1) } mm from the edge; { SHORT($margin_mm) } mm keeps the plate strong.
and-plugs-need-more = { $one } and its plugs need { FIX($value_mm, digits: 0) } mm more behind the plate.
and-overlap = { $one } and { $names } overlap.
and-apart-needed = { $one } and { $names } are { FIX($value_mm, digits: 1) } mm apart; { SHORT($gap_mm) } mm are needed.
switch-carries-more-than = The switch carries { FIX($value_a, digits: 1) } A, more than its rating less a margin.
put-relay-by-load = Put a relay by the load
let-bothy-arrange-plate = Let Bothy arrange the plate
no-circuit-belongs-to = No circuit belongs to this part of the panel.
volts = Volts

## raceways
display-cable = display cable
bus-cable = bus cable
antenna-cable = antenna cable
sender-or-probe = sender or probe
shunt-display-cable = shunt display cable
here = Here { $too_full }
take-pipe = Take a pipe of { SHORT($size_mm) } mm
conduit-times-as-wide = The conduit is { FIX($jam_ratio, digits: 2) } times as wide as one cable; between 2.8 and 3.2 times three of them can lock in a bend.
cables-go-through-gas = The cables go through the gas locker.
cables-run-from-gas = The cables run { SHORT($gas_distance_mm) } mm from a gas pipe beside them. Keep at least { SHORT($gas_mm) } mm away.
cables-run-from-flue = The cables run { SHORT($flue_distance_mm) } mm from a flue or flame. Keep at least { SHORT($flue_mm) } mm away.
metal-holes-would-cut = Of { $metal_holes_count } metal holes { $bare } would cut into the cables as the vehicle shakes.
fit-grommet-in-each = Fit a grommet in each
with-mains-on = {" "}with mains on it
clips-apart-they-should = The clips are { SHORT($clip_spacing_mm) } mm apart. They should be at most { SHORT($most_mm) } mm apart{ $why }.
clip-every = Clip every { SHORT($most_mm) } mm
at-needs = { $signal_words } at { SHORT($gap_mm) } mm (needs { SHORT($gap_wanted_mm) } mm)
beside-mains-or-large = Beside mains or a large current ({ $w_names }) lie: { $told }.
take-screened-cable = Take screened cable
nothing-parts-mains-from = Nothing parts mains from low voltage here: one pinched cable puts mains on every lamp. { $licensed }
make-low-voltage-negative = Make the low-voltage negative yellow
low-voltage-and-mains = { $both } { $both_count ->
    [one] is
   *[other] are
 } low voltage and mains in the same place.
put-barrier-into-box = Put a barrier into the box
put-in-partition = Put in a partition
ethernet = Ethernet

## rules
fit-and = Fit { $size_text } and { SHORT($fuse_a) } A
split-into-circuits = Split the circuit into { $circuits_count }
for-over-there-no = For { FIX($current_a, digits: 1) } A over { SHORT($length_m) } m there is no cable and fuse: { $problem }.
bothy-suggests-and = Bothy suggests { $size_text } and { SHORT($best_fuse_a) } A.
no-size-and-no = No size and no fuse are entered for this circuit yet.
cable-under = The cable ({ $size_text }) is under { SHORT($minimum_mm2) } mm².
load-on-this-route = The load is { FIX($current_a, digits: 1) } A; on this route { $size_text } may carry { FIX($ampacity_a, digits: 1) } A.
voltage-drop-over-limit = The voltage drop is { FIX($drop_v, digits: 2) } V ({ PER_CENT($drop_frac, digits: 1) }) over { SHORT($length_m) } m of { $size_text }; the limit is { FIX($limit_v, digits: 2) } V ({ $replace }).
this-size-reaches = {" "}This size reaches { FIX($max_length_m, digits: 1) } m.
marine-practice-does-not = Marine practice does not allow it: current through the hull and fittings corrodes them.
circuits-return-through-hull = The circuit’s { FIX($current_a, digits: 0) } A return through the { $afloat ->
    [yes] hull
   *[no] bodywork
 }. { $why }
lay-second-wire = Lay a second wire
insulation-for-and-engine = The insulation is for 60 °C, and an engine space gets hotter.
starter-batterys-post-fuse = the starter battery’s post (the fuse belongs there, within 0.175 m)
banks-post-fuse-belongs = the bank’s post (the fuse belongs there, within 0.175 m)
board = the board
busbar-2 = the busbar
cable-leaves-with-no = The cable ({ $size_text }) leaves { $starts_at } with no { $word }.
at-other-end-lets-carry = The fuse at the other end lets through { SHORT($fuse_a) } A; { $size_text } carries { FIX($ampacity_a, digits: 0) } A here.
lets-carry-more-than = The { SHORT($fuse_a) } A { $word } lets { $size_text } carry more than its { FIX($ampacity_a, digits: 1) } A.
fuse-appliance-on-allows = The fuse is { SHORT($fuse_a) } A; an appliance on it allows { SHORT($device_a) } A at most.
load = The load is { FIX($current_a, digits: 1) } A, the { $word } { SHORT($fuse_a) } A.
starting-draws-fuse-must = Starting draws { FIX($inrush_a, digits: 0) } A: the fuse must be at least { FIX($window_low_a, digits: 1) } A.
load-on-with-margin = The load is { FIX($current_a, digits: 1) } A on a { SHORT($fuse_a) } A { $word }; with its margin it should be at least { FIX($window_low_a, digits: 1) } A.
together-loads-take-with = Together the loads take { FIX($current_a, digits: 1) } A. With the largest { $word } that protects it, { $size_text } may carry { FIX($usable_a, digits: 1) } A continuously. Split into: { $groups }.
load-needs-fuse-at = The load needs a fuse of at least { FIX($window_low_a, digits: 1) } A, and the cable allows at most { FIX($window_high_a, digits: 1) } A.
fuse-made-for = The fuse ({ $families_name }) is made for { SHORT($max_v) } V.
fit-high-interrupt-fuse-2 = Fit a { SHORT($best_a) } A high-interrupt fuse
does-not-break-that = A fuse of the kind “{ $family_name }” does not break the 20 kA that a lithium bank can push.
breaker-does-not-break = A breaker does not break the 20 kA that a lithium bank can push.
board-has-circuit-on-way = The board has { $on_it_count } { $on_it_count ->
    [one] circuit
   *[other] circuits
 } on { $way_count } { $way_count ->
    [one] way
   *[other] ways
 }.
circuits-take-together-board = The circuits take { FIX($fig_a, digits: 0) } A together; the board is for { SHORT($total_rating_a) } A.
what-protects-board-lets = What protects the board lets { SHORT($above_a) } A through; the board is for { SHORT($total_rating_a) } A.
circuit-takes-outgoing-way = The circuit takes { FIX($current_a, digits: 1) } A; an outgoing way of this board is for { SHORT($way_rating_a) } A.
no-circuit-feeds-this = No circuit feeds this appliance yet.
when-this-one-fuse = When this one fuse blows, { PER_CENT($share, digits: 0) } of the lighting goes out.
fit-4 = Fit { SHORT($fuse_a) } A

## short_circuit
required-or-chemistry-with = is required, or chemistry with the capacity (capacity_ah)
required-or-awg-with = is required (or awg) with a length
must-be-more-than = must be more than the temperature class of the insulation (insulation_temp_c: { SHORT($insulation_temp_c) } °C)
typical = { $chemistry }, typical
time-cable-stands-fault = Time the cable stands the fault
heating-constant-copper = Heating constant of copper
current-dead-short = Current of a dead short
resistance-bank = Resistance of the bank
block-loads-see = Block as the loads see it
block-posts-links-lugs = Block with its posts, links and lugs

## sizing
must-be-at-least-current = ({ SHORT($fuse_a) } A) must be at least the current ({ SHORT($current_a) } A)
thinnest-size-with-area = thinnest size with area ≥ mechanical minimum, I_z ≥ I, I_z ≥ fuse and ΔU ≤ limit
drop-class = drop class { $drop_class }
less-what-lost-before = , less what is lost before it
next-smaller-size = next smaller size
fuse-to-size-cable = Fuse to size the cable for
usable-current = Usable current
shared-circuits-oversize-loads = shared circuits + oversize loads
cable = Cable

## tree_fit
least-copper-whole-tree = least copper of the whole tree with area ≥ mechanical minimum, I_z ≥ I, I_z ≥ fuse, and ΔU from the busbar ≤ limit
fuse-that-wants = the fuse that it needs
drop-class-from-busbar = drop class { $drop_class }, from the busbar
there-and-back-at-2 = there and back at 60 °C
lost-on-2 = Lost on { $circuit_name }
lost-before-board = Lost before the board
