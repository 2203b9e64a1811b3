# What roof says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## adhesive
given-else-required = given, else required

## bond
sealant-same-kind-as = sealant, the same kind as the bond
two-beads-round-openings = two beads round { $cuts_count } { $cuts_count ->
        [one] opening
       *[other] openings
    }
rust-paint-for-cut = rust paint for cut edges
bare-edge-two-coats = { FIX($edge_m, digits: 1) } m of bare edge, two coats
primer-or-activator-for = primer or activator for the adhesive
on-roof-and-on = on the roof and on the part
solvent-cleaner-and-lint = solvent cleaner and lint-free cloths
two-wipes-with-two = two wipes with two cloths
closed-cell-gasket-if = closed-cell gasket, if the unit has none
round-opening-each-unit = round the opening of each unit that is clamped

## cure
required-for-two-part = is required for a two-part product
required-one-part-product = is required: a one-part product cures by the moisture of the air
give-cure-path-or = give the depth to cure (cure_path_mm), or the bead width (bead_width_mm)

## curing
hybrid-sealant = hybrid sealant
polyurethane-adhesive = polyurethane adhesive
rust-primer-and-paint = rust primer and paint
paint-on-cut-edges = paint on cut edges
contact-adhesive = contact adhesive
floor-adhesive = floor adhesive
wood-glue = wood glue
two-part-epoxy = two-part epoxy
spray-foam = spray foam
cavity-wax = cavity wax
solvent-cement = solvent cement
thread-sealant = thread sealant
give-material-or-model = give a material, or model “time” or “moisture”
required-where-material-not = is required where the material is not of the table: hours until cured at the reference temperature
must-be-at-least = must be at least the lowest temperature (min_temp_c: { SHORT($min_c) } °C)
hours-at-reference-temperature = hours at the reference temperature
reached-required-at-most = reached/required, at most 1

## gasket
must-be-at-least-target = must be at least the compression to reach (target_compression_frac: { SHORT($target_compression_frac) })
must-be-less-than = must be less than the thickness of the gasket (gasket_thickness_mm: { SHORT($gasket_thickness_mm) })
must-be-at-least-clamp = must be at least the thinnest wall that it clamps (clamp_min_mm: { SHORT($clamp_min_mm) })

## lay_out
spread-along-roof-on = spread along the roof, on its centre line
one-after-other-from = one after the other from the front, on the centre line
at-both-ends-on = at both ends, on the centre line
together-at-front = together at the front
together-at-both-ends = together at both ends
together-in-middle = together in the middle
together-at-rear = together at the rear
openings-and-between-ribs = Openings { $word }, and between the ribs, so that none is cut.
no-free-stretch-between = No free stretch between two ribs is long enough for { $framed }: carry the cut with a frame.
out-their-shadow-at = out of their shadow at a sun of 20°
close-to-them-since = close to them, since they go nowhere else
rest-found-no-room = ; the rest found no room.
panels-beside-them = { $laid_count } of { $panels_count } { $panels_count ->
        [one] panel
       *[other] panels
    } beside { $opened ->
    [yes] them
   *[no] each other
 }, { $clear }{ $lie }

## pack
must-be-above = must be beyond where it begins ({ $axis }0_m: { SHORT($getattr) })
most-power-needs-panel = the most power needs a panel with the power (power_w)
lead-to-more-than = lead to more than { $most } positions; divide the roof, or use fewer types
most-all-packings-positions = the most of all packings of the positions

## plan
where-begins = where it begins
where-ends = where it ends
thickness-skin = thickness of the skin
thickness-lining = thickness of the lining
panel = { $a_name }, panel { $i }
on-roof = on the roof

## products
hybrid-adhesive-one-part = hybrid adhesive, one part
feet-profiles-panels-rims = feet, profiles, panels, rims; can be painted
polyurethane-adhesive-one-part = polyurethane adhesive, one part
windows-and-feet-primer = windows and feet; primer on glass and paint, covered from the sun
neutral-silicone = neutral silicone
sealing-only-never-under = sealing only, never under a later bond
stiff-unlike-materials-at = stiff: unlike materials at most 0.5 m long
butyl-tape = butyl tape
gasket-that-stays-soft = a gasket that stays soft; a joint that comes apart again
acrylic-foam-tape = acrylic foam tape
smooth-clean-faces-for = smooth, clean faces; 60 cm² for each 1 kg that hangs on it
loose-paint = loose paint
take-off-to-sound = Take it off to sound paint or metal and prime it, or bolt instead.
grind-to-bright-metal = Grind to bright metal, prime, and let the primer dry; where it has holes, let in metal first.
traces-silicone = traces of silicone
cut-off-use-silicone = Cut it off, use a silicone remover, sand and clean; nothing sticks to silicone.
polyethylene-or-polypropylene = polyethylene or polypropylene
fix-with-screws-or = Fix it with screws or bolts; adhesives don’t hold there.
cross-cut-hidden-spot = Cross-cut a hidden spot and pull tape off it; scuff with P320, wipe with solvent and two cloths.
to-wipe-primer-with = P180 to P240, wipe, primer with its flash-off time; nothing stays bare.
to-wipe-with-solvent = P180 to P240, wipe with solvent and two cloths; activator where the product needs it.
wipe-primer-within-hour = P180, wipe, primer within the hour: aluminium skins over.

## rules
move-inboard = Move { $t_name } inboard
lies-too-far-to = “{ $t_name }” lies { $mm } too far to the { $side }; { $mm_2 } must be left to the edge.
lies-too-far-to-nothing = “{ $t_name }” lies { $mm } too far to the { $side }; nothing must be left to the edge.
lie-in-each-other = lie { $mm } in each other
lie-apart-and-need = lie { $mm } apart and need { $mm_2 }
lie-apart-and-need-2 = lie 0 mm apart and need { $mm }
and = “{ $a_name }” and “{ $b_name }” { $what }.
lies-over-seam = On the seam of the lifting roof lies { $t_name }, half on it and half beside it: raised, that breaks it, or it holds the roof shut.
cut-out-goes-through = The cut-out of { $t_name } goes through { $names } ({ $mm }); what held the roof up there is gone.
lies-under-cut-out = “{ $b_name }” ({ $word }) lies under the cut-out of { $t_name }.
lies-cut-out = “{ $b_name }” ({ $word }) lies { $mm } the cut-out of { $t_name }.
move-between-ribs = Move it { FIX($d_mm, digits: 0) } mm { $way }, between the ribs
skin-and-lining-thick = Skin and lining are { FIX($thick_mm, digits: 0) } mm thick at { $t_name }; its clamp takes at most { FIX($clamp_max_mm, digits: 0) } mm, { FIX($thick_mm_2, digits: 0) } mm less.
skin-and-lining-thick-at = Skin and lining are { FIX($thick_mm, digits: 0) } mm thick at { $t_name }; its clamp needs at least { FIX($clamp_mm, digits: 0) } mm: pack { FIX($clamp_mm_2, digits: 0) } mm.
rib-lies-under-gasket = A rib of { FIX($h_mm, digits: 0) } mm lies under the gasket of { $t_name }; at most { FIX($limit_mm, digits: 0) } mm can be trimmed away.
under-gasket-lie-rib = Under the gasket of { $t_name } { $under_count ->
    [one] lies
   *[other] lie
 } { $under_count } { $under_count ->
    [one] rib
   *[other] ribs
 } of { FIX($h_mm, digits: 0) } mm: trim { FIX($h_mm_2, digits: 0) } mm off the gasket there; it seats at { FIX($seat_mm, digits: 0) } mm.
and-less-other = , and less of { $dark_count } other{ $dark_count_over ->
    [yes] s
   *[no] {""}
 }
what-stands-on-roof = What stands on the roof takes { FIX($shaded_pc, digits: 0) } % of the direct light of { $t_name } at the lowest sun that is planned{ $rest }; Power and Trips count it.
gets-hot-and-gives = it gets hot and gives several per cent less
wind-gets-under = wind gets under it
under-there-air = Under { $t_name } there is { $mm } air: { $hot }.
under-there-no-air = Under { $t_name } there is no air: { $hot }.
lies-from-nearest-panel = { $g_name } lies { FIX($near_m, digits: 2) } m from the nearest panel; its cables then lie open on the roof.
lies-between-two-others = { $inner_name } lies between two others; nobody reaches it from the side.
only-seals = { $p_name }{ $p_name_2 } only seals
bond-needed-and-there = { FIX($need_cm2, digits: 0) } cm² of bond are needed and { FIX($have_cm2, digits: 0) } cm² are there
lift-and-drag-at = The wind lifts “{ $t_name }” with { FIX($uplift_n, digits: 0) } N and drags it with { FIX($drag_n, digits: 0) } N at { FIX($speed_kmh_km_h, digits: 0) } km/h into { FIX($headwind_m_s, digits: 0) } m/s of wind. { $why }.
front-edge-open-wind = The front edge of { $t_name } is open: the wind gets under it and lifts twice as much as with a closed edge.
close-front-edge = Close its front edge
bead-under-thick-roof = The bead under { $t_name } is { SHORT($bead_thickness_mm) } mm thick; roof and frame move against each other, and { FIX($least_mm, digits: 1) } mm take that up.
roof = Roof
roof-bonded-on = The roof is bonded on { $word }. { $remedy }
half-bead-from-air = Half of a bead of { SHORT($bead_width_mm) } mm is { FIX($wide_mm, digits: 0) } mm from the air; beyond { FIX($hygroscopic_path_mm, digits: 0) } mm it stays soft.
bolts-hold-against-uplift = The { $bolts } { $bolts ->
        [one] bolt
       *[other] bolts
    } hold { $t_name } against { FIX($uplift_n, digits: 0) } N of uplift and { FIX($drag_n, digits: 0) } N of drag; with a safety of 2 that is { FIX($used_pc, digits: 0) } % of them.
bolts-for-corners = “{ $t_name }” is held by { $bolts } { $bolts ->
    [one] bolt
   *[other] bolts
 }: each of its four corners needs a bolt, or the wind turns and lifts the thing.
use-bolts = Use { $n } { $n ->
        [one] bolt
       *[other] bolts
    }
hold-by-two-profiles = Hold it by two profiles
hold-by-two-profiles-front = Hold it by two profiles, front edge closed
bond-all-round-front = Bond it all round, front edge closed
bond-all-round = Bond it all round
set-on = Set it on 30 mm
set-to = Set it to { SHORT($least_mm) } mm

## sun_shadow
must-have-area = must have an area
hull-object-and-shadow = hull of the object and its shadow, inside the panel/panel

## template
measure-before-you-cut = 100 mm: measure it before you cut
clamps-to = clamps { SHORT($clamp_min) } to { SHORT($clamp_max_mm) } mm
nominal-size-measure-part = nominal size: measure the part in hand first
middle-lies = The middle lies { $on }.
middle-lies-2 = The middle lies { FIX($to_datum_mm, digits: 0) } mm { $above }.
from-edge-to-edge = From its edge to the edge of { $replace }: { FIX($to_rib_mm, digits: 0) } mm.
middle-lies-3 = The middle lies { FIX($along_mm, digits: 0) } mm { $from_end }.
nominal-size-kind-measure = Nominal size of its kind. Measure the part in hand before you cut.
has-no-cut-out = “{ $t_name }” has no cut-out, or no spot on the roof yet
there-already-nothing-cut = “{ $t_name }” is there already: nothing is cut for it
centre-line-roof = of the centre line of the roof
centre-line-roof-2 = centre line of the roof
to-left = to the left { $line }
to-right = to the right { $line }
on-centre-line-roof = on the centre line of the roof
seen-from-above-lay = Seen from above: lay it on the roof.
seen-from-below-mirrored = Seen from below, mirrored: lay it against the ceiling.
to-front = to the front
look-below = Look below
lining-off-look-and = Lining off, look and feel: bows, looms, airbags. Battery disconnected.
mark-from-inside = Mark from inside
where-bows-and-ribs = Where bows and ribs show; drill one 3 mm pilot hole from inside at the middle.
measure-again-outside = Measure again outside
from-pilot-hole-to = From the pilot hole to the centre line and to the rib: both numbers of the template must agree. If not, stop.
four-corners = Four corners
drill-corners-to-their = Drill the corners to their radius; hole saws half from each side where both are reached.
masked-both-sides-fine = Masked both sides, a fine blade, a vacuum at the blade; support the cut-out before the last side.
file-both-sides-sweep = File both sides, sweep every swarf off at once: it rusts overnight and spoils the bead.
paint-edge = Paint the edge
rust-paint-two-coats = Rust paint, two coats, dried: the cut edge is bare metal.
bead-and-fit = Bead and fit
prime-bead-under-flange = Prime, bead under the flange, fit, clamp evenly, second bead outside; smooth it off.
when-has-cured-ten = When it has cured: ten minutes of hose from low to high, one person inside.
water = Water
deburr = Deburr
saw = Saw

## wind
required-where-drag-height = is required where the height at which the wind acts (drag_height_m) is more than 0

## worked
air-that-you-entered = the air that you entered
forecast-ahead = the forecast of the days ahead
normals-in-month-bond = average weather of { $climate_name } in the month of the bond
from-to-warm-enough = ; from { $good } to { $good_h } h it is warm enough
next-month-in-which = ; { $month } is the next month in which it cures
when-bead-laid-needs = When the bead is laid it is { FIX($temp_c, digits: 0) } °C; { $p_name } needs at least { FIX($min_c, digits: 0) } °C{ $good }{ $when }.
not-cured-within = it is not cured within { $longest_h } { $longest_h ->
        [one] day
       *[other] days
    }
may-be-driven-later = it may be driven { FIX($total_seconds_h, digits: 0) } h later
bond-made-on-at = The bond is made on { $day } at { $hour_h } h, and driven on { $drive_day }: { $short }. A panel that comes off kills.
from-to-cool-enough = ; from { $good } to { $good_h } h it is cool enough
when-bead-laid-takes = When the bead is laid it is { FIX($temp_c, digits: 0) } °C; { $p_name } takes at most { FIX($max_c, digits: 0) } °C, and skins before the part is set{ $good }.
next-dry-forecast = { $day } is the next dry day of the forecast
no-forecast-after-dry = no day of the forecast after it is dry and warm enough
rain-likely-on-bond = Rain is likely on { $day } ({ FIX($rain_pc, digits: 0) } %), the day of the bond; { $when }.
fastest-that-driven = the fastest that is driven
road-speed = road speed
gust-on-top = a gust on top
dynamic-pressure = Dynamic pressure
as-lies = as it lies
area-from-above = area from above
uplift = Uplift, { $t_name }
drag = Drag, { $t_name }
used-bolts = Used of the bolts, { $t_name }
as-drawn-or-as = as drawn, or as entered
length-bead = length of bead
bond-needed = Bond needed, { $t_name }
used-bond = Used of the bond, { $t_name }
until-may-be-driven = Until it may be driven
data-sheet = data sheet
mean-temperature = mean temperature
mean-humidity = mean humidity
