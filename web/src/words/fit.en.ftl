# What the pages of fit say. A quantity’s name ends in its unit.

## Bays
bay = Bay
bays = Bays
none-everything-stands-living = None: everything stands in the living space. A gas locker, a garage or the space under the floor is a bay.
remove-bay = remove this bay
name = name
is = is
warmth = warmth
gas-tight-towards-inside = gas-tight towards the inside
closed-all-round = closed all round
each-of-two-vents = free area low, and as much high
add-bay = Add a bay

## BringInPlaces
thing-x-m-y = thing;x m;y m;z m;turned deg{ "\u000A" }Front fridge 90 L;2.40;-0.85;0;90 … one thing a line, x from the rear, y left of the centre line
brought-places = brought in { $lines_count } { $lines_count ->
        [one] place
       *[other] places
    }

## FromPart
take-parts-sizes = take a part’s sizes
take-parts-sizes-2 = Take a part’s sizes
choose = choose…

## Gap
what-goes-into-measured = What goes into a measured gap?
along-vehicle = along the vehicle
across = across
high = high
parts-gap = Parts and the gap
fits-along-across-spare = fits, its { $along_x } along and its { $along_y } across, { $spare_m } to spare{ $spare_m_less ->
        [yes] ; measure again at three heights
       *[no] { "" }
    }
mm-short = { $spare_m } mm short
lugs-stand-mm-over = Lugs stand 50 mm over a battery; 3 mm for the tape. Which side may point up is its maker’s word.

## Immovables
door = Door
obstacle = Obstacle
doors-wheel-arches-measured = doors and wheel arches to be measured
doors-what-cant-moved = Doors and what can’t be moved
none = none
typical-vehicle = Typical of the vehicle: { $value }.
measure-them = Measure them
wall = in the wall
begins-rear = begins, from the rear
ends-rear = ends, from the rear
clear-width = clear width
clear-height = clear height
sill-over-floor = sill over the floor
remove-door = remove this door
remove = remove it
add-door = Add a door
add-rib-other-obstacle = Add a rib or other obstacle

## MeasureView
inside-length = Inside length
rear-doors-inside-face = From the rear door’s inside face to the bulkhead or the seats’ backs, along the centre line, on the bare floor.
inside-width = Inside width
between-bare-walls-bed = Between the bare walls at bed height, at the widest place.
inside-height = Inside height
bare-floor-bare-roof = From the bare floor to the bare roof, in the middle.
left-right-wall-rear = { $is_left ->
        [yes] Left
       *[no] Right
    } wall, { $x_m } from the rear, { $z } up
centre-line-struck-floor = From the centre line struck on the floor, level, to the finished wall. Never from the other wall: walls taper and bow.
must-more-than-nothing = must be more than nothing
wall-would-stick-out = this wall would stick { $x_more ->
        [yes] out
       *[no] in
    } { $x } mm against the sections beside it; measure again?
two-sides-would-differ = the two sides would differ by { $x } mm; is the centre line true?
ceiling-rear = Ceiling, { $x_m } from the rear
finished-floor-finished-ceiling = From the finished floor to the finished ceiling, on the centre line.
mm-off-section-beside = that is { $x } mm off the section beside it; measure again?
empty-full-fuel-driver = Empty, full of fuel, with the driver as its papers count. On a weighbridge, one axle on the plate.
rear-most-inside-face = From the rear-most inside face to the middle of the wheel, along the ground; carry the face down with a plumb line.
front-axle-would-stand = the front axle would stand less than a metre ahead of the rear one
rear-axle = Rear axle
front-axle = Front axle
empty-front-axle = Empty, front axle
empty-rear-axle = Empty, rear axle
measured = measured: { $title }
layout-weight = Layout and weight
where-hold-tape = Where to hold the tape
measured-2 = { $at } of { $list_count }, { $done } measured
typical-kind-not-measured = typical of its kind; not measured
right = It is right
back = Back
next = It is so, next
next-2 = Next
skip = Skip
all-measurements = All measurements
typical = typical
measure = Measure
measured-stations = measured by stations
profile-kind-scaled = the profile of its kind, scaled
strike-centre-line-floor = Strike a centre line on the floor first: the middle between two pairs of symmetric points, the rear door jambs and the front seat or belt anchorages, joined by a string. All widths go from it, all heights from the finished floor.
bare-finished-less-linings = Bare { $bare }; finished { $body_count } × { $half } × { $height }, less the linings of Heat and air ({ $linings }).
back-profile-kind = back to the profile of its kind
back-profile-kind-2 = Back to the profile of its kind

## OpeningSlate
middle-left-centre = middle, left of centre
middle-rear = middle, from the rear
middle-over-floor = middle, over the floor
not-set-out-yet = Not set out yet. Its usual place is beside what it belongs to, clear of pillars.
set-out = set out
set-out-2 = Set it out
in-the = in the
there-already-nothing-cut = it is there already: nothing is cut
frame-carries-cut-next = a frame carries the cut to the next members
cut-out = Cut-out
sizes = sizes of { $name }:
usual-size-kind-measure = Usual size of its kind: measure the part in hand, and enter it here.
width = width
length-along = length, along it
width-across = width, across
height = height
corner-radius = corner radius
clamps = clamps from
clamps-2 = clamps to
template-true-size = Template, true to size
both-numbers-must-agree = { $laid_by } Both numbers must agree on the metal, or you stop.
above = from above
outside = from outside
below = from below
inside = from inside
order-work = Order of work
not-here-after-all = Not here after all
remove-2 = Remove it
pillar = Pillar
mm-thick-lining = { $thick_mm } mm thick with its lining
what-lies = What lies in it
nobody-looked-pillars-taken = Nobody looked. { $has_taken ->
        [yes] Pillars are taken to stand under the ribs of the roof; of the floor nothing is known.
       *[no] Nothing is known of it.
    }
began-members-walls = began the members of the walls
i-looked-start-these = I looked: start from { $has_taken ->
        [yes] these pillars
       *[no] nothing
    }
nothing-entered = Nothing entered for the { $face }.
right-edge-left-centre = right edge, left of centre
rear-edge = rear edge
left-edge-left-centre = left edge, left of centre
front-edge = front edge
lower-edge = lower edge
upper-edge = upper edge
chassis-rail = Chassis rail
add-what-lies-there = Add what lies there
somebody-lay-under-entered = somebody lay under it and entered what is there
looked-under-floor = looked under the floor

## OutView
through-no-door = through no door
comes-out = comes out
furniture-way = the furniture is in the way
thing = thing
past-furniture = past the furniture
through = through
spare = to spare in it
way = in the way
vehicle-scale = { $plan } of the vehicle, to scale
ways-out = Ways out
nothing-heavy-serviced-placed = Nothing heavy or serviced is placed yet.
way-out = Way out
comes-out-through-spare = It comes out through { $finished }{ $has_spare_m ->
        [yes] , with { $spare_m } to spare straight on
       *[no] { "" }
    }.
or = { " " }or{ " " }
bare-shell-passes-taking = In the bare shell it passes { $door }. { $has_blocking ->
        [yes] Taking out { $blocking } frees it.
       *[no] No single piece frees it.
    }
enter-places-what-holds = Enter in Places what holds the piece in the way; then its screws are named here.
carried-level-slid-along = Carried level, slid along the floor or at its own height, and turned where there is room all round; 10 mm for hands. Walls and things to about 50 mm. Doors are looked at to the millimetre, tilted as far as it may be.
kg-more-two-people = 25 kg and more: two people or a hoist.

## PlacesView
length = length
mass = mass
rear = from the rear
left-centre-line = left of the centre line
over-floor = over the floor
placed = placed { $one }
placed-things = placed { $places_count } { $places_count ->
        [one] thing
       *[other] things
    }
no-free-place-was = { " " }No free place was found for { $left }.
placed-2 = Placed { $places_count }{ $has_bays ->
        [yes] , with { $bays }
       *[no] { "" }
    }.{ $left }
design-was-changed-while = The design was changed while places were searched. Search again.
no-place-could-searched = No place could be searched: { $message }
turned = turned
no-longer-moves-when = no longer moves when opened:
size = size, { $units }
left-centre = left of centre
stands = stands in
not-placed = not placed
not-placed-yet = Not placed yet
not-placed-yet-2 = Not placed yet: { $open_count }
all-placed = All is placed
place-all = Place { $open_count ->
        [one] it
       *[other] all { $open_count }
    }
search-places = search for places
looked = Looked at from
turn = turn
state-vehicle = State of the vehicle
front-right-left-drag = front to the { $is_right ->
        [yes] right
       *[no] left
    }; drag, or arrows { $mm }, Shift { $mm_2 }, R turns, Delete takes out
why-each-stands-where = Why each stands where it does
plan-vehicle-scale = plan of the vehicle, to scale
left-side-vehicle-scale = left side of the vehicle, to scale
vehicle-scale-2 = { $look } of the vehicle, to scale
section-rear-seen-forwards = section { $cut } from the rear, seen forwards
section-thing-hand = Section at the thing in hand
add-furniture = Add furniture
add-furniture-n = Add furniture (n)
import-places = Import places
places-masses-ways-xlsx = Places, masses and ways (XLSX)
places-csv = Places (CSV)
masses-csv = Masses (CSV)
ways-csv = Ways (CSV)
plan-side-svg = Plan and side at 1 : 20 (SVG)
plan-side-dxf = Plan and side (DXF)
things-their-places = Things and their places
nothing-place-yet-choose = Nothing to place yet. Choose parts in the other stages, or add furniture here.
roof = on the roof
living-space = the living space
front-axle-2 = front axle
rear-axle-2 = rear axle
left-side = left side
ball = on the ball
voltage-drop = voltage drop, { $name }
what-follows-moving = What follows from moving it
comes = comes: { $title }, { $subject_name }
goes = goes: { $title }, { $subject_name }
nothing-else-changes = Nothing else changes.
moves-when-opened = moves when opened
moves-when-vehicle-opened = It moves when the vehicle is opened
while-vehicle-stands-open = While the vehicle stands open
open = open, { $label }
stays-when-opened = stays when opened
stays-where = It stays where it is
when-full = , and { $contents_kg } in it when full
stands-2 = stands
held = held by
not-entered = not entered
how-many = how many
drained-tray-under = a drained tray is under it
heat-shield-between = a heat shield is between
hatch-without-tool-leads = a hatch without a tool leads to it
bay-2 = bay
none-living-space = none: the living space
used-fixings = used of the fixings
lies-roof-laid-out = It lies on the roof, laid out part by part.{ " " }
lies-roof = It lies on the roof.{ " " }
see-roof-plan = See the roof plan
let-bothy-place = Let Bothy place it
placed-3 = placed
put-middle = Put it in the middle
joined = Joined to it
not-placed-yet-3 = { $missing } not placed yet
no-way = no way
size-mass = Size and mass
things-may-stand-inside = things may stand inside it
cover-burns-cushions-curtains = its cover burns (cushions, curtains)
part = from its part
space-needs-door-may = Space it needs, { $is_door_swing ->
        [yes] for its door
       *[no] for { $why }
    }: { $flat_map }. May stand with { $up } up. Typical; its manual governs.
take-out-place = Take it out of its place
things-placed = { $placed } of { $things_count } { $things_count ->
        [one] thing
       *[other] things
    } placed
fixings-hold = fixings hold

## Ports
rear-2 = from its rear
right-2 = from its right
over-bottom = over its bottom
where-joined-stands-upright = Where its { $word } are joined, as it stands upright
joined-middle = { $word } joined in its middle
middle-again = in its middle again
measured-where-joined = Measured where it is joined:
measured-where-joined-2 = measured where its { $word } are joined

## RoofPicture
roof-above-front-left = The roof from above, front to the left
mm-high = { $id }, { FIX($height_mm) } mm high
free = free
front = front
rear-m-m = rear, { FIX($x1, digits: 2) } m by { FIX($y1, digits: 2) } m

## RoofThingSlate
framed-panel = framed panel
flat-panel-bonded = flat panel, bonded
air-conditioner = air conditioner
middle-lies-centre-line = Its middle lies { $to_centre_mm_less ->
        [yes] on the centre line
       *[no] { FIX($to_centre_mm) } mm to the { $side } of the centre line
    }{ $has_rib ->
        [yes] ; { FIX($to_rib_mm) } mm from its edge to { $rib }
       *[no] { "" }
    }. Both numbers must agree on the metal, or you stop.
nominal-size-kind-measure = Nominal size of its kind: measure the part in hand, and enter it above.
above-2 = { $to_upper_case }, from above
pdf-below = PDF, from below
top-over-skin-shade = { $mm }, { $mass_kg }; its top is { $mm_2 } over the skin.{ $has_shaded_and_shaded_more ->
        [yes] { " " }Shade takes { FIX($shaded) } % of its direct light at the lowest sun.
       *[no] { "" }
    }
turned-quarter = turned by 90°
usual = usual: { $word }
air-under = air under it
front-edge-closed = its front edge is closed
length-bead = length of bead
drawn = as drawn
bolts = bolts
there-already = it is there already
frame-carries-cut-next-bows = a frame carries the cut to the next bows
lie-level-over-crown = To lie level over the crown: { FIX($packing_mm) } mm under its right feet, { FIX($packing_mm_2) } mm under its left.
mm-way = { $mm } mm in the way of { $what }.
laid = laid
put-roof = Put it on the roof
against-wind = Against the wind
lifts = lifts it
drags = drags it
used-bond = used of the bond
used-bolts = used of the bolts
cm-bond-needed-m = { FIX($need_mm2) } cm² of bond are needed; { FIX($bead_m, digits: 1) } m of bead give { FIX($have_mm2) } cm². Bead at least { FIX($least_mm, digits: 1) } mm thick.
larger-than-m-two = Larger than 1.5 m²: two bolts as well, in case the bond ages.
gasket-not-squeezed = gasket, not squeezed
take-off-roof = Take it off the roof
it = it
remove-3 = Remove { $word }

## RoofView
laid-out-things-roof = laid out { $laid } { $laid ->
        [one] thing
       *[other] things
    } on the roof
no-room-more = { " " }No room for { $left }{ $left_count_more ->
        [yes] { " " }and { $left_count } more
       *[no] { "" }
    }.
panels-most-could-fit = { " " }{ $panels } { $panels ->
        [one] panel
       *[other] panels
    }; at most { $panels_most } could fit.
everything-lies-already = Everything lies already.
could-not-laid-out = It could not be laid out: { $message }
nose-north = nose north
nose-east = nose east
nose-south = nose south
nose-west = nose west
things-lie-roof-one = { $laid } of { $things_count } { $things_count ->
        [one] thing lies
       *[other] things lie
    } on the roof, { $roof_kg }; { $cuts ->
        [one] one hole is cut
       *[other] { $cuts } holes are cut
    }
wind-uses-weakest-hold = ; the wind uses { $worst } % of the weakest hold
may-driven-after-bonding = ; it may be driven { $h } after bonding
doesnt-cure-weather = ; it doesn’t cure in this weather
put-right = ; { $bad_count } to put right
used = used of it
there = there
cut = cut, { $units }
lines-adhesive = lines of adhesive
shadow = shadow
hour-suns-clock = Hour of the sun’s clock
sun = , sun at { $elevation }°
sun-down = , sun is down
how-stands = How it stands
moved = moved
lay-out-roof = Lay out { $open_count } on the roof
lay-out-roof-2 = Lay out the roof
laying-out = Laying out…
cancel = cancel
add-roof = Add to the roof
add = add…
roof-plan-cut-outs = Roof plan, cut-outs, order of work (print)
roof-2 = On the roof
nothing-lies-roof-yet = Nothing lies on the roof yet. Panels come from Power, fans and rooflights from Warmth; a hatch, a box or a gland is added here.

## RoofWholeSlate
days-until-may-driven = Days until it may be driven, by the month in which it is bonded
not-within-three-weeks = { $i }: not within three weeks
bow = Bow
under-skin = Under the skin
nothing-entered-look-inside = Nothing entered: look from inside before you cut, and enter bows, looms and curtain airbags.
add-what-below = Add what is below
rib = Rib
ribs-usual-vehicle = { $ribs_count } { $ribs_count ->
        [one] rib
       *[other] ribs
    }, usual of the vehicle.
no-ribs-usual-vehicle = No ribs: usual of the vehicle.
ribs-measured = ribs to be measured
removed = removed { $id }
added-rib = added a rib
add-rib = Add a rib
roof-3 = Roof
things-laid-out = { $laid } of { $things_count } { $things_count ->
        [one] thing
       *[other] things
    } laid out, { $roof_kg }
bond-cure = Bond and cure
bonded = bonded with
on = on
bead-pressed-wide = bead, pressed, wide
bead-thick = bead thick
driven-most = driven at most
into-wind = into a wind of
laid-hour = laid at hour
hall = in a hall of
outdoors = outdoors
safety-factor = safety factor
cures-inwards = cures inwards
bonded-2 = bonded on
driven = driven on
may-driven-after = may be driven after
h = { $x } to { $y } h
c-average-press-within = { $has_drive_at ->
        [yes] From { $drive_at }.{ " " }
       *[no] { "" }
    }{ FIX($temp_c) } °C and { FIX($humidity_frac) } % on average, { $known }.{ $has_skin_min ->
        [yes] { " " }Press it on within { $value } min: it skins in { $skin_min }.
       *[no] { "" }
    }{ $has_good ->
        [yes] { " " }Good hours: { $good }.
       *[no] { " " }No good hour on such a day.
    }{ $some_cold_h ->
        [yes] { " " }{ FIX($cold_h) } h a day are too cold, and it stands still.
       *[no] { "" }
    }
days-until-may-driven-month = Days until it may be driven, by the month of the bond
nothing-bonded-yet = Nothing is bonded yet.
buy = To buy
roof-outside = Roof from outside
usual-vehicle-measure = Usual of the vehicle, measure: { $assumed }.
width-usable = width that is usable
crown = crown
skin = skin
lining-insulation = lining and insulation

## Scene
mm-missing = { $mm } mm missing: { $what }

## Sentence
of = { $placed } of { $things_count }
things-placed-2 = things placed
cables = cables { $cable_m }
along-their-ways = along their ways
left = left
rear-axle-3 = and the rear axle at
with = , with
one-thing-doesnt-come = one thing doesn’t come out again
dont-come-out-again = { $blocked_count } don’t come out again
all-comes-out-again = all of it comes out again
put-right-2 = ; { $clashes } to put right

## SidePicture
rear-3 = rear
right-side = right side
seen-above-seen-outside = { $face }, { $floor ->
        [yes] seen from above
       *[no] seen from outside
    }
behind = behind: { $name }
taken-stand-under-rib = , taken to stand under the rib of the roof
m-m = { $ends }, { FIX($u1, digits: 2) } m by { FIX($v1, digits: 2) } m

## SidesView
nothing-goes-through-sides = Nothing goes through sides, rear or floor yet.
one-opening-cut-openings = { $cut ->
        [one] One opening is cut
       *[other] { $cut } openings are cut
    } in sides, rear and floor
not-set-out-yet-2 = ; { $open } not set out yet
opening = opening
along = along
up-left = up, or left
open-2 = open
wall-2 = Wall
set-out-3 = Set out { $open_count }
add-opening = Add an opening
openings-their-numbers-order = Openings with their numbers, order of work (print)
openings = Openings
nothing-goes-through-sides-rear = Nothing goes through sides, rear or floor yet. Windows, vents and heaters come from Heat and air, fillers from Water, the inlet from Power, drop vents from Gas; anything else is added here.

## Signals
signal-cable = Signal cable
added-signal-cable-signal = added { $usual_count ->
        [one] a signal cable
       *[other] { $usual_count } signal cables
    }
signal-cables = Signal cables
none-yet-senders-tanks = None yet: senders of tanks, the shunt, displays, networks and aerials.
remove-cable = remove this cable
screened = screened
way-2 = by its way
from = from
begins-elsewhere = begins elsewhere
to = to
ends-elsewhere = ends elsewhere
add-usual = Add the usual { $usual_count }
add-signal-cable = Add a signal cable

## Slant
vehicle-seen-slantwise = The vehicle seen at an angle

## WallView
head-run = run
head-carries = carries
head-tested = tested
low-voltage = low voltage
mains = mains
signals = signals
water = water
waste-water = waste water
gas = gas
warm-air = warm air
inside-2 = { $wall } from inside
front-2 = front, { $b_count }
what-crosses = What crosses the { $wall }
enters-rear = enters, from the rear
turns = turns at
leaves-rear = leaves, from the rear
yes = yes
not-yet = not yet
nothing-runs-behind-runs = Nothing runs behind it. Runs get their ways as soon as both their ends are placed.
what-behind-each-wall = What is behind each wall (print)
stretches-behind = { $rows_count } { $rows_count ->
        [one] stretch
       *[other] stretches
    } behind it
before-you-close-test = Before you close it, test and photograph: { $value }.
measured-along-inside-rear = Measured along the inside: from the rear-most inside face, and over the finished floor or from the centre line. Keep screws 50 mm off every run, or use a depth stop.

## WaysView
engine = engine
run = run
carries = carries
from-to = from, to
to-2 = { $a } to { $b }
way-3 = its way
typed = typed
counts = counts
assumed = assumed
ways = { $look } with its ways
runs-their-ways = Runs and their ways
no-runs-yet-circuits = No runs yet: circuits, pipes and drains of the other stages get their ways here as soon as their ends are placed.
along-way = along its way
why-way = Why this way
one-ends-has-no = One of its ends has no place yet.
up-down-m = { $rise_m_more ->
        [yes] up
       *[no] down
    } { FIX($rise_m, digits: 2) } m
bends-holes-metal-grommet = { $bends } { $bends ->
        [one] bend
       *[other] bends
    }, { $holes } { $holes ->
        [one] hole
       *[other] holes
    } in metal, { $m }.{ $some_holes ->
        [yes] { " " }A grommet in each hole.
       *[no] { "" }
    }
not-placed-yet-4 = Not placed yet: { $missing }.
kept-typed-length = kept the typed length of { $name }
goes-way = { $name } goes by its way
keep-typed = keep the typed { $typed_m }
goes-over = goes over
best-way = its best way
goes-over-2 = { $name } goes over { $v }
ways-2 = Ways
cables-all = cables { $cable_m } in all
proposed-net-trunks-low = A proposed net: trunks low and high along both walls, uprights about every 0.7 m, crossings under the ceiling and in the floor; low voltage, mains, water and gas apart. No way leads through a door.
which-them-exist = Which of them exist
no-way-2 = no way { $name }
all-ways-open = all ways open
open-all-ways-again = Open all ways again
conduit = { $way } is a conduit
conduit-2 = it is a conduit
inside-3 = inside
one-cable-takes-cables = { $cable_count ->
        [one] one cable takes
       *[other] { $cable_count } cables take
    } { $fill_frac } of it; { $limit_frac } at most
no-cable-known-size = no cable with a known size in it
no-conduit = { $way } is no conduit
no-conduit-2 = no conduit

## WeightView
group-all = all
group-fixed = fixed
group-people = people
group-water = water
group-waste = waste
group-gas = gas
group-fuel = fuel
group-luggage = luggage
counted-typed = typed
counted-part = part
counted-usual = usual
counted-full = full
counted-weighed = weighed
axles = axles
ball-2 = ball
loads-axles = Loads on the axles
of-2 = , { $s } % of { $limit }
centre-gravity = centre of gravity
front-left-each-column = front to the left; each column is what stands there, the cross the centre of gravity
what = what
group = group
known = known by
not-placed-2 = { $counted }, not placed
loading = Loading
group-2 = Group
every-kilogram-once = Every kilogram once
nothing-weighs-yet = Nothing weighs yet.
weighbridge = Weighbridge
weight = weight
whole = whole
middle-range-kg-m = For the middle of the range, { FIX($shift_kg_m) } kg·m belong further { $some_shift_kg_m ->
        [yes] forward
       *[no] back
    }.
all-lets-her-lie = All of it lets her lie about { $sinkage_mm } mm deeper in fresh water (waterplane 0.9 of length × beam).
centre-gravity-rear-over = Centre of gravity { $cg_x } from the rear, { $cg_height } over the ground; half the track over that is { $stability }.
date = date
not-weighed = not weighed
count-difference-now = count the difference from now on
loaded = loaded as
nobody-tanks-empty = nobody, tanks empty
loaded-2 = loaded
plan-says-more-less = The plan says { $model_front_kg } and { $model_rear_kg }. { $has_lump_x ->
        [yes] { $lump_kg } { $some_lump_kg ->
            [yes] more
           *[no] less
        }, as if { $lump_x } from the rear.
       *[no] No more differs than the scale can tell.
    }
strike-weighing = strike this weighing
enter-weighing = Enter a weighing
axles-limits = Axles and limits
first-axle-rear = first axle from the rear
second-axle = second axle
ball-rear = ball from the rear
nose-empty = nose, empty
axles-empty = axles, empty
gross-limit = gross limit
balls-limit = ball’s limit
may-towed = may be towed
towing-vehicle = towing vehicle
rear-axle-rear = rear axle from the rear
front-axle-rear = front axle from the rear
track = track
floor-over-ground = floor over the ground
empty-front-axle-2 = empty, front axle
empty-rear-axle-2 = empty, rear axle
front-axles-limit = front axle’s limit
rear-axles-limit = rear axle’s limit
front-tyres-carry = front tyres carry
rear-tyres-carry = rear tyres carry
roof-carries = roof carries
typical-vehicle-until-entered = Typical of the vehicle until entered: { $assumed }.
camper-itself = camper by itself
walls-only = its walls only
centre-rear = its centre from the rear
middle = in the middle
centre-over-floor = its centre over the floor

## data
took-out-place = took { $name } out of its place
added = added { $piece }
removed-2 = removed { $name }

## extent
rear-end = rear end
front-end = front end
right-side-left-centre = right side, left of centre
left-side-left-centre = left side, left of centre
bottom-over-floor = bottom over the floor
top-over-floor = top over the floor

## frame
plan-side = plan and side
under-floor = under the floor
slantwise = at an angle

## geometry
vehicles-wall = the vehicle’s wall
clearance = clearance to { $name }

## roof
edge = the edge
took-off-roof = took { $name } off the roof
sizes-2 = { $name }: sizes of { $name_2 }
added-2 = added { $name }

## sides
left-side-2 = Left side
right-side-2 = Right side
rear-4 = Rear
floor = Floor
took-out = took { $name } out of the { $face }
set-out-openings = set out { $ops_count } { $ops_count ->
        [one] opening
       *[other] openings
    }

## words
places = Places
behind-wall = Behind a wall
sides-floor = Sides and floor
weight-2 = Weight
left-2 = 90° left
right-3 = 90° right
top-up = top up
front-up = front up
rear-up = rear up
left-side-up = left side up
right-side-up = right side up
upside-down = upside down
wood-screws-mm-ply = wood screws in 12 mm ply
wood-screws-softwood = wood screws in softwood
self-tapping-screws-steel = self-tapping screws in steel
m6-threaded-inserts = M6 threaded inserts
m8-threaded-inserts = M8 threaded inserts
m6-bolts-plates = M6 bolts with plates
m8-bolts-plates = M8 bolts with plates
cables-2 = cables
pipes = pipes
gas-pipes = gas pipes
ducts = ducts
sender-probe = sender or probe
shunt-display = shunt display
display-panel = display or panel
bus = bus
ethernet = Ethernet
aerial = aerial
usb = USB
hdmi = HDMI
living-space-2 = living space
bench = in a bench
kitchen = in the kitchen
wardrobe = in a wardrobe
overhead = overhead
garage = garage
cab = cab
gas-locker = gas locker
outside-locker = outside locker
engine-space = engine space
battery-box = battery box
warm-living-space = as warm as the living space
inside-unheated = inside, unheated
cold-outside = as cold as outside
wheel-arch = wheel arch
rib-2 = rib
frame-rail = frame rail
swing-door = swing of a door
step = step
filler-pipe = filler pipe
engine-cover = engine cover
room-slide-out-folding = room of a slide-out or folding bed
seat = seat
something-else = something else
right-4 = right
roof-4 = roof
g-every-way-among = 10 g every way, among people
g-forward-load-hold = 0.8 g forward, load in a hold
g-every-way-afloat = 2 g every way, afloat
measured-typed = measured or typed
usual-kind = usual of its kind
weights-estimates-until-weighed = Weights are estimates until it is weighed; overload is an offence and can void the insurance. Fixings here are values to screen with, not a crash approval. Gas and mains things placed here are only positions: licensed trades install and test them where local rules say so.
before-any-hole-look = Before any hole: look and feel below, disconnect the battery, keep clear of airbags and their looms, fuel, brake and gas lines. Don’t cut bows, pillars, belt or seat anchorages, chassis rails.
two-bonded-profiles = two bonded profiles
four-bonded-corner-feet = four bonded corner feet
bonded-all-round = bonded all round
own-clamp = its own clamp
hybrid-adhesive = hybrid adhesive
polyurethane-adhesive = polyurethane adhesive
two-part-epoxy = two-part epoxy
acrylic-foam-tape = acrylic foam tape
silicone-seals-only = silicone (seals only)
butyl-tape-seals-only = butyl tape (seals only)
sound-paint = sound paint
bare-metal-primed = bare metal, primed
gel-coat = gel coat
aluminium = aluminium
loose-paint = loose paint
rust = rust
traces-silicone = traces of silicone
polyethylene-polypropylene = polyethylene, polypropylene
slower-deeper-diffusion = slower the deeper (diffusion)
evenly-data-sheets-say = evenly (as data sheets say)
bow-2 = a bow
loom = a loom
curtain-airbag = a curtain airbag
wiring-over-lining = wiring over the lining
pillar-rib = a pillar or rib
rail-along-wall = a rail along the wall
cross-member = a cross member
chassis-rail-2 = a chassis rail
belt-seat-anchorage = a belt or seat anchorage
airbag = an airbag
fuel-line = a fuel line
brake-line = a brake line
tank = a tank
window = Window
vent = Vent
inlet = Inlet
filler = Filler
flue = Flue
air-intake = Air intake
drain = Drain
drop-vent-gas = Drop vent for gas
cable-pipe = Cable or pipe
something-else-2 = Something else
hatch = Hatch
cable-gland = Cable gland
aerial-2 = Aerial
rail = Rail
roof-box = Roof box
strip-walk = Strip to walk on
roof-work-scaffold-tied = Roof work: scaffold or a tied ladder, never on the panels, never wet. Isocyanates and solvents: gloves, fresh air, no flame. After the first 20 km look at every bond again, then before every trip.
travelling = travelling
standing-open = standing open
