# What fit says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## bed_rules
nearest-socket-from-pillow = The nearest socket is { FIX($gaps_m, digits: 1) } m from the pillow.
design-has-no-charging = The design has no charging socket at all.
at = At the { $end }: { $listed }.
end-quiet = {" "}The { $quiet } end is quiet.
and-more = {" "}and { $rows_count } more

## body
wheel-arch = { $side } wheel arch
rear-axle = rear axle
front-axle = front axle
empty-front-axle = empty front axle
empty-rear-axle = empty rear axle
gross-limit = gross limit
front-axle-limit = front axle limit
rear-axle-limit = rear axle limit
second-axle = second axle
floor-height = floor height
roof-limit = roof limit
nose-limit = nose limit

## boxes
not-face-faces = '{ $name }' is not a face; the faces are { $faces }
boxes-against-bay-shell = boxes against bay, shell, obstacles and each other

## bundle_rules
and-others = {" "}and others
up-to-loaded-circuits = Up to { $most } loaded circuits lie together { $where }, and { $listed } were sized for fewer. Closed in, each cable carries less.
with-that-many-cable = {" "}With that many, the cable is too small for its current in { $small }.
ways = Ways

## fill_rules
take-pipe = Take a pipe of { SHORT($size_mm) } mm
in-fullest-piece = In its fullest piece { $too_full }

## filled
front-axle-load = Front axle
rear-axle-load = Rear axle
left-side-load = Left side
left-wall = Left wall
right-wall = Right wall
under-floor = Under the floor
no-permitted-way-leads = No permitted way leads there.
two-stand-apart-so = The two stand { FIX($drop_m, digits: 2) } m apart, so it goes straight.
passes-and-any-other = {" "}It passes { $replaces }, and any other way costs more.
to-and-from = { FIX($drop_m, digits: 2) } m to and from it
shortest-permitted-way-along = The shortest permitted way: { $names }. { FIX($path_m, digits: 2) } m along it, { $end }.{ $tagged }
empty-vehicle-two-axles = empty vehicle, its two axles
empty-vehicle = empty vehicle
all-group = all of the group { $k }
whole = Whole, { $p_name }
plate = the plate
on-ball = On the ball
everything-on-roof = everything on the roof
on-roof = on the roof
along-way = along the way
from-things-to-way = from the things to the way
to-and-from-2 = to and from it
end-moves-when-vehicle = its end moves when the vehicle is opened
for-what-moves = for what moves
path-drops-what-end = path + drops + what its end moves
length = Length, { $run_name }
used-fixings = Used of the fixings, { $thing_name }
left = Left
bulkhead = Bulkhead
floor = Floor
ceiling = Ceiling

## furniture
overhead-locker = Overhead locker
wet-room = Wet room
seat-with-belt = Seat with belt
luggage-one-person = Luggage of one person
bench-seat-taken-out = Bench seat taken out
bed-across = Bed, { $across ->
    [yes] across
   *[no] along
 }
wardrobe = Wardrobe
bench = Bench
kitchen = Kitchen

## hull
must-rise-comes-after = must rise: { SHORT($b) } comes after { SHORT($a) }
stations-must-go-from = stations must go from the rear to the front: { SHORT($x_m) } m comes after { SHORT($x_m_2) } m
station-at-needs-one = the station at { SHORT($x_m) } m needs one half-width for each of the { $levels_count } { $levels_count ->
        [one] level
       *[other] levels
    }
must-lie-within-stations = must lie within the stations, { SHORT($first) } to { SHORT($last_m) } m
must-be-at-least = must be at least where it begins along the vehicle (x0_m: { SHORT($x0_m) })
must-be-at-least-2 = must be at least where it begins in height (z0_m: { SHORT($z0_m) })
left-right-each-least = left + right, each the least over the range
largest-least-over-range = largest − least over the range

## ledger
travelling-water-full = Travelling, water full
going-home-waste-full = Going home, waste full
driver-alone-tanks-empty = Driver alone, tanks empty
what-in = { $t_name }, what is in it
camper-by-itself = Camper by itself
lining-and-insulation = Lining and insulation, { $s_name }
cable = Cable, { $circuit_name }
pipe = Pipe, { $r_name }
cable-2 = Cable, { $s_name }
duct = Duct, { $duct_name }
person = Person { $i }
each = 75 kg each
not-accounted-for = Not accounted for, { $weighing_name }
usual-length = usual × length
metal-length = metal × length
layers-area = layers × area

## net
low-voltage-and-signals = low voltage and signals
water-waste-and-warm = water, waste and warm air
through-bulkhead = through the bulkhead, { $side }
low-along = low along the
under-ceiling-along = under the ceiling along the
wall = { $where } { $side } wall, { $what }
across-in-floor = across in the floor
up-wall = up the { $side } wall, { $what }
across-under-ceiling = across under the ceiling, { $what }
across-in-floor-low = across in the floor, low voltage
under-floor-gas = under the floor, gas
up-through-floor-gas = up through the floor, gas
across-under-floor-gas = across under the floor, gas

## passing
upright-ways-any = upright: 2 ways, any: 6
ways-with-gap-tape = ways with gap − tape − clearance − item ≥ 0 on all three axes
nothing-left-after-all = nothing is left of it after { SHORT($margin_m) } m all round

## presets
side-door = Side door
rear-doors = Rear doors
front-door = Front door
emergency-door = Emergency door
rear-door = Rear door
side-hatch = Side hatch
companionway = Companionway
ramp = Ramp

## propose
at-front-away-from-door = At the front: the rear door is the only way out.
at-rear-with-room = At the rear, with room under it for what is heavy.
high-along-wall-for = High along the wall, for what is light.
at-front-facing-way = At the front, facing the way it drives.
where-stood = Where it stood.
under-bed-as-store = Under the bed, as a store: elsewhere it would stand in the aisle or before a door.
amidships-where-one-stands = Amidships, where one stands in the door’s light.
near-middle-by-tanks = Near the middle, by the tanks.
towards-front = Towards the front.
low-in-zone-warm = Low in its zone: warm air rises by itself.
low-where-gas-gathers = Low, where gas gathers.
on-wall-zone = On the wall of its zone.
on-ceiling-zone = On the ceiling of its zone.
under-floor-as-said = Under the floor as said, clear of the axle.
in-worktop-kitchen = In the worktop of the kitchen.
in-kitchen-under-hob = In the kitchen, under the hob.
in-wet-room = In the wet room.
gas-tank-under-floor = Gas tank under the floor
under-floor-where-leak = Under the floor, where a leak falls out.
gas-on-drawbar = Gas on the drawbar
on-drawbar-outside-and = On the drawbar, outside, and weight on the nose.
gas-locker = Gas locker
at-rear-by-outside = At the rear by an outside wall, in a locker that drains through the floor.
by-door-within-reach = By the door, within reach from outside.
near-bank-short-thick = Near the bank: short thick cables
at-front-where-reached = , at the front where it is reached.
low-by-rear-axle = Low, by the rear axle
so-that-full-or = , so that full or empty changes little at the front.
low-and-between-axles = Low and between the axles, with the inverter and the boards beside it.
on-floor-by-kitchen = On the floor by the kitchen, its door to the aisle.
on-floor-by-wall = On the floor by the wall, with its hot and its serviced side free.
where-free-along-wall = Where it is free along the wall.
next-to-what-joined = Next to what it is joined to: { FIX($near_m, digits: 1) } m from { $thing_name }.
stand-from-rear-axle = The { FIX($full_kg, digits: 0) } kg stand { SIGNED($middle_m, digits: 2) } m from the rear axle, { FIX($middle_m_2, digits: 2) } m over the floor.

## routing
edge-names-node-which = edge '{ $e_id }' names the node '{ $getattr }', which does not exist
edge-leads-from-to = edge '{ $e_id }' leads from '{ $a }' to itself
edge-joins-two-nodes = edge '{ $e_id }' joins two nodes at one point; give its length
has-no-penalty-known = '{ $t }' has no penalty; known are { $tags }
run-names-node-which = run '{ $r_id }' names the node '{ $node }', which does not exist

## rules
at-rear = at the rear
at-front = at the front
on-right = on the right
on-left = on the left
for-air = for air
for-heat = for heat
to-be-served = to be served
for-door = for its door
to-left = to the left
to-right = to the right
move = Move { $thing_name } { $mm } { $way }
at-from-rear = {" "}at { FIX($middle_m, digits: 2) } m from the rear
outside-vehicle = “{ $name }” is { $mm } outside the vehicle { $face_names },{ $station }.
outside = “{ $name }” is { $mm } outside “{ $bay_name }” { $face_names }.
cuts-into = “{ $name }” cuts { $mm } into “{ $other }”.
stands-deep-in = “{ $name }” stands { $mm } deep in “{ $other }”.
in-way = “{ $other }” is in the way
vehicles-wall-in-way = the vehicle’s wall is in the way { $face_names }
bay-ends = its bay ends
lacks-space-that-needs = “{ $name }” lacks { $mm } of the space that it needs { $why }: { $what }.
hangs-over-what-leaks = “{ $thing_name }” hangs { FIX($z0_m, digits: 2) } m over “{ $thing_name_2 }”; what leaks from it drips there.
put-drained-tray-under = Put a drained tray under it
gets-hot-and-from = “{ $thing_name }” gets hot and is { FIX($gap_mm, digits: 0) } mm from the battery; keep at least 300 mm.
fit-heat-shield-between = Fit a heat shield between
can-burn-and-from = “{ $thing_name }” can burn, and is { FIX($gap_mm, digits: 0) } mm from the flame; keep { FIX($side_mm, digits: 0) } mm beside it and { FIX($up_mm, digits: 0) } mm above.
fit-shield-between = Fit a shield between
socket-from-keep-at = The socket is { FIX($gap_mm, digits: 0) } mm from “{ $thing_name }”; keep at least { FIX($far_mm, digits: 0) } mm.
stands-in-with-gas = “{ $thing_name }” stands in “{ $bay_name }” with the gas: one spark ignites what leaked.
stands-with-up-usually = “{ $name }” stands with its { $up } up; a { $what } is usually allowed with its { $up_2 } up.
stand-with-up = Stand it with its { $up } up
hang-with-their-middle = The { FIX($full_kg, digits: 0) } kg of “{ $name }” hang with their middle { FIX($z_m, digits: 2) } m over the floor.
stand-behind-rear-axle = The { FIX($full_kg, digits: 0) } kg of “{ $name }” stand { FIX($rear_x_m, digits: 2) } m behind the rear axle and take { FIX($lifts_kg, digits: 0) } kg off the front.
switch-over-floor-to = The switch is { FIX($z_m, digits: 2) } m over the floor; 0.40 to 1.50 m is in reach of everybody.
inside-in-fire-must = “{ $name }” is inside “{ $name_2 }”. In a fire it must be reached at once.
enter-that-door-or = Enter that a door or hatch without a tool leads to it
inside-and-must-be = “{ $name }” is inside “{ $name_2 }” and must be got at to look after it.
enter-that-hatch-leads = Enter that a hatch leads to it
point-where-runs-joined = The point where its runs are joined lies outside its own size; the nearest point of its box is used.
body = Body
station-at-was-measured = The station at { FIX($x_m, digits: 2) } m was measured from a wall; walls taper and bow by 20 to 60 mm.
design-no-longer-has = The design no longer has this thing, and its place is still kept.
remove-place = Remove its place
must-hold-what-they = The { $count } × { $kind_name } must hold { FIX($used_pc, digits: 0) } % of what they can (direction: { $direction }); { $n } of them would do.
use-them = Use { $n } of them
one-placed-thing-has = One placed thing has
what-placed-things-have = Of what is placed, { $loose_count } { $loose_count ->
        [one] thing has
       *[other] things have
    }
no-fixing-yet-in = { $several } no fixing yet: { $names }. In a crash each pulls with ten times its weight and more.
choose-fixings-that-hold = Choose fixings that hold each
engine = the engine
no-way-for-leads = No way for { $service } leads from “{ $start }” to “{ $end }”.
net-in-pieces-shortest = {" "}The net is in pieces; the shortest way between two of them would be { FIX($joint_m, digits: 2) } m, from { $joint } to { $joint_2 }.
route-to-passes-through = The route to “{ $end }” passes through: { $replace }.
low-voltage = low voltage
waste-water = waste water
warm-air = warm air
first-comes-out-what = {" "}First comes out what stands in it: { $inside }{ $inside_count_over ->
    [yes] {" "}and more
   *[no] {""}
 }.
freed-by-fixings = “{ $thing_name }” is freed by its { $fixings } { $fixings ->
        [one] fixing
       *[other] fixings
    } ({ $fixings_name }).{ $first }
measures-and-goes-through = “{ $thing_name }” measures { $size_mm } mm and goes through no door of the vehicle.
in-way-2 = In the way: { $pieces }.
there-no-single-piece = There is no single piece whose removal would free it.
cant-be-taken-out = “{ $thing_name }” can’t be taken out past the furniture. { $words }
fit = Fit

## sheets
give-material-or-density = give a material or the density (density_kg_m3)
required-where-area-not = is required where the area (area_m2) is not given
more-than-piece-has = is more than the piece has ({ SHORT($area_m2) } m²)
required-where-batten-run = is required where the metres of batten (batten_run_m) are given

## signals
sender = Sender of { $t_name }
shunt = Shunt of { $bank_name }
panel = Panel of { $inverter_name }
panel-2 = Panel of { $h_name }
remove-cable = Remove the cable
cable-leads-to-which = The cable leads to “{ $gone }”, which the design no longer has.
cable-lies-in-one = The cable lies in one route with { $bs }, which carry { SHORT($high_current_a) } A or more. Keep { SHORT($gap_mm) } mm between them
take-screened-cable = Take a screened cable
or-take-screened-cable = , or take a screened cable.
disturbed-by-large-currents = : a { $signal_words } is disturbed by large currents that change.

## states
slide-out = Slide-out { $i }
in-way-3 = “{ $other }” is in its way
leaves-vehicle-and-what = it leaves the vehicle and what opens of it ({ $face })
when-vehicle-stands-open = When the vehicle stands open, { $what }: { $value_mm } mm are missing.
enter-that-moves-out = { $names_count ->
        [one] Enter that it moves out with the { $room_name }
       *[other] Enter that they all move out with the { $room_name }
    }
stands-where-while-that = “{ $thing_name }” stands where “{ $room_name }” is while that is in. Either it moves out with it, or it is in its way.
list-of-names = “{ $names }”{ $has_more ->
        [yes] { " " }and { $more } more
       *[no] {""}
    }
these-stand-where = { $listed } stand where “{ $room_name }” is while that is in. Either they move out with it, or they are in its way.
reaches-past-body = “{ $room_name }” reaches { $over_mm } mm past the body that it is cut into.
meet-while-in = “{ $room_name }” and “{ $b_name }” reach { $deep_mm } mm into each other while both are in.
living-space = the living space
generator-locker = Generator locker
heat-shut-in = The inverter’s { FIX($loss_w, digits: 0) } W of heat stay in “{ $bay }”, which is closed all round. Openings of { GROUPED($each_mm2, digits: 0) } mm² low and as much high would let it out; { GROUPED($have_mm2, digits: 0) } mm² each are entered.
vessel-stands-in = “{ $thing_name }” stands in { $where }, which is open to where people live and sleep: leaked gas gathers there and explodes.
generator-stands-in = “{ $thing_name }” stands in { $where }, which is open to where people live and sleep: its exhaust kills within minutes, and its fuel’s vapour burns.
doors = Doors
no-way-out = Furniture leaves less than { FIX($least_mm, digits: 0) } mm free inside every door, and no way leads through a cab: { $doors }.
pop-top = Pop-top

## things
where-duct-ends = { $open ->
    [yes] End
   *[no] Outlet
} of { $x_name }
switch-panel = Switch panel
fuel-tank = Fuel tank of { $h_name }
wood-for = Wood for { $h_name }
water-tank = { $holds } water tank
jugs = { $jug_count } { $jug_count ->
        [one] jug
       *[other] jugs
    } of { SHORT($jug_l) } L
toilet = Toilet

## tie_down
bolt-spreader-plate-under = M6 bolt, spreader plate under the floor
bolt-spreader-plate-under-floor = M8 bolt, spreader plate under the floor
threaded-insert-in-steel = M6 threaded insert in 0.9 mm steel
threaded-insert-in-steel-2 = M8 threaded insert in 1.5 mm steel
self-tapping-screw-in = self-tapping screw of 4.8 mm into 1.0 mm steel
wood-screw-in-birch = wood screw of 5 mm into 12 mm birch ply
must-be-even-two = must be even: two equal rows
required-where-cg-height = is required where the height of the centre of gravity (cg_height_m) is more than 0

## weight
empty-front-axle-2 = empty, front axle
empty-rear-axle-2 = empty, rear axle
empty-vehicle-must-weigh = the empty vehicle must weigh something
must-lie-at-least = must lie at least 0.5 m ahead of the place of the rear axle (rear_axle_x_m: { SHORT($rear_axle_x_m) })
scenario-names-group-which = scenario '{ $s_id }' names the group '{ $g }', which no mass has
in-scenario-whole-weighs = in scenario '{ $s_id }' the whole weighs { SHORT($total_kg) } kg
must-lie-at-least-ahead = must lie at least 0.5 m ahead of the middle of the axles
whole-trailer-must-weigh = the whole trailer must weigh something
axles-their-number = axles/their number
least-by-region = least by region
most-by-region = most by region
whole-towing-vehicle = whole/towing vehicle
where-over-twice-scales = ΔF + ΔR, where it is over twice the scale’s step

## weight_rules
for-these-only-usual = For these only a usual mass is known: { $names }.
roof = Roof
roof-carries-while-driving = The roof carries { FIX($roof_kg, digits: 0) } kg; while driving it may carry { FIX($limit_kg, digits: 0) } kg.
empty-axles-trucks-alone = The empty axles are the truck’s alone. Of the camper only walls and linings are counted, { FIX($kg, digits: 0) } kg; frame, doors and jacks are not.
weight = Weight
loaded-as-campers-centre = Loaded as “{ $s_name }”, the camper’s centre lies { FIX($behind_m, digits: 2) } m behind the truck’s rear axle: its { GROUPED($total_kg, digits: 0) } kg lift the front.
loaded-as-vehicle-weighs = Loaded as { $where } the vehicle weighs { GROUPED($gross_kg, digits: 0) } kg; its limit is { GROUPED($gross_kg_2, digits: 0) } kg.
loaded-as-vehicle-weighs-and = Loaded as { $where } the vehicle weighs { GROUPED($gross_kg, digits: 0) } kg, and { FIX($left_kg, digits: 0) } kg are left.
loaded-as-front-axle = Loaded as { $where } the front axle would carry { FIX($front_kg, digits: 0) } kg, the rear { FIX($rear_kg, digits: 0) } kg.
loaded-as-front-axle-carries = Loaded as { $where } the front axle carries { FIX($front_pc, digits: 0) } % of the whole; it should carry at least 30 %.
loaded-as-side-heavier = Loaded as { $where } the { $more } side is { FIX($kg, digits: 0) } kg heavier: { FIX($kg_2, digits: 0) } kg·m belong on the other side.
loaded-as-centre-gravity = Loaded as { $where } the centre of gravity is { FIX($height_m, digits: 2) } m over the ground; half the track over that is { FIX($factor, digits: 2) } and should be at least 0.85.
loaded-as-axle-carries = Loaded as “{ $s_name }” the { $name } axle carries { GROUPED($load_kg, digits: 0) } kg; it may carry { GROUPED($limit_kg, digits: 0) } kg. To balance it, { FIX($over, digits: 0) } kg·m belong further { $way }.
axle = { $name } axle
vehicles-limit-above-car = The vehicle’s limit of { GROUPED($gross_kg, digits: 0) } kg is above the { GROUPED($licence_kg, digits: 0) } kg of a car licence (national rules differ).
loaded-as-left-without = Loaded as “{ $worst_name }” { FIX($left_kg, digits: 0) } kg are left, without luggage; { FIX($reserve_kg, digits: 0) } kg are usual for { FIX($seats, digits: 0) } people in it.
loaded-as-rest-on = Loaded as “{ $s_name }”, { FIX($nose_kg, digits: 0) } kg of { GROUPED($gross_kg, digits: 0) } kg rest on the ball, { FIX($share_pc, digits: 1) } %; { FIX($low, digits: 0) } to { FIX($high_pc, digits: 0) } % keep it straight.
belong-further-forward = { $said } { FIX($shift, digits: 0) } kg·m belong further forward.
belong-further-back = { $said } { FIX($shift, digits: 0) } kg·m belong further back.
on-ball-rest-may = On the ball rest { FIX($nose_kg, digits: 0) } kg; it may carry { FIX($nose_limit_kg, digits: 0) } kg.
loaded-as-trailer-weighs = Loaded as “{ $s_name }” the trailer weighs { GROUPED($gross_kg, digits: 0) } kg; its limit is { GROUPED($gross_kg_2, digits: 0) } kg.
each-axle-carries-may = Each axle carries { GROUPED($axle_each_kg, digits: 0) } kg; it may carry { GROUPED($rear_kg, digits: 0) } kg.
trailer-weighs-at-most = The trailer weighs { GROUPED($gross_kg, digits: 0) } kg; at most { GROUPED($tow_limit_kg, digits: 0) } kg may be towed.
trailer-weighs-towing-vehicle = The trailer weighs { GROUPED($gross_kg, digits: 0) } kg, { FIX($gross_pc, digits: 0) } % of the towing vehicle.
trailer = Trailer
weighed-limit = The { $name } weighed { GROUPED($kg, digits: 0) } kg; the limit is { GROUPED($limit_kg, digits: 0) } kg.
from-rear = { FIX($x_m, digits: 2) } m from the rear
scale-finds-against-plan = The scale finds { SIGNED($kg, digits: 0) } kg against the plan, as if at { $place }.
front-axle-off-by = The front axle is off by { SIGNED($front_kg, digits: 0) } kg, the rear by { SIGNED($rear_kg, digits: 0) } kg: { FIX($front_kg_2, digits: 0) } kg·m stand further { $way } than planned.
axles-differ-by-and = The axles differ by { SIGNED($front_kg, digits: 0) } and { SIGNED($rear_kg, digits: 0) } kg from the plan.
