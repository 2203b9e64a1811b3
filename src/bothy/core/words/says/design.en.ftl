# What design says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## build
not-write-like = “{ $text }” is not a day; write it like 2027-03-14
not-in-years-to = “{ $text }” is not in the years 2000 to 2100
must-be-after-from = must be after the start of the session (from_h: { SHORT($from_h) } h)
makes-session-nobody-works = makes a session of { SHORT($to_h) } h; nobody works more than { SHORT($most_h) } h a day well
before-from = is before the first day (from_day: { $from_day })
has-hours-ones-own = “{ $self_name }” has hours of one’s own and none are entered; enter a session, or choose usual hours
would-work-more-than = “{ $self_name }” would work more than { SHORT($most_h) } h on one day
before-first = is before first ({ $first })
not-time-write-like = “{ $end }” is not a time; write it like 2027-03-14T16:30
task-ends-on-before = a task ends on { $pair }, before it begins on { $pair_2 }
under-low-that = { SHORT($high_c) } °C is under the low of that day ({ SHORT($low_c) } °C)
before-first-2 = is before the first day ({ $start_day })
names-who-not-among = “{ $a_name }” names “{ $who }”, who is not among the people
forecast-go-one-after = days of the forecast go one after the other: { $day } comes after { $day_2 }
has-two-pins-task = “{ $task }” has two pins; a task has one day before which it doesn’t begin
own-tasks-wait-for = the own tasks wait for each other in a circle: { $reversed }

## document
there-twice-every-id = { $kind } “{ $one }” is there twice; every id must be unique
gas-solenoid = Gas solenoid
names-cabinet-in-heat = “{ $inv_name }” names the cabinet “{ $cabinet }” in “Heat and air”, which does not exist
names-heater-in-heat = “{ $g_name }” names the heater “{ $heater }” in “Heat and air”, which does not exist
names-appliance-which-does = “{ $name }” names the appliance “{ $of }”, which does not exist
zone-names-appliance-which = zone “{ $z_name }” names the appliance “{ $a }”, which does not exist
mains-side-keeps-on = the mains side keeps on the appliance “{ $a }”, which does not exist
cable-names-panels-which = cable “{ $o_name }” names the panels “{ $array }”, which do not exist
circuit-names-panels-which = circuit “{ $c_name }” names the panels “{ $array }”, which do not exist
circuit-names-raceway-which = circuit “{ $c_name }” names the raceway “{ $r }”, which does not exist
circuit-names-board-which = circuit “{ $c_name }” names the board “{ $board }”, which does not exist
circuit-names-appliance-which = circuit “{ $c_name }” names the appliance “{ $a }”, which does not exist
on-switch-panel-names = “{ $t_label }” on the switch panel names the circuit “{ $circuit }”, which does not exist
trips-place = the trip’s place
place-daily-use = the place of Daily use
leg = leg “{ $x_id }”
which-neither-in-climate = { $who } is “{ $place }”, which is neither in the climate table nor a place of your own; choose another place there first
must-be-json-object = must be a JSON object
must-be-whole-number = must be a whole number
this-bothy-reads-versions = is { $version }; this Bothy reads versions 1 to { $schema_version }. Use a newer Bothy for this file
not-version-that-bothy = { $version } is not a version that Bothy ever wrote (1 to { $schema_version })

## edit
has-operations-at-most = has { $ops_count } operations; at most { $max_operations } in one edit
would-make-design-larger = would make the design larger than { $most_values } values
item-changes-no-longer = the item it changes is no longer there ({ $exc })
does-not-fit-design = does not fit the design: { $exc }

## fit
in-side-wall-give = “{ $self_name }” is in a side wall: give where it begins along the wall (x0_m) and where it ends (x1_m)
must-be-ahead = must be ahead of where it begins (x0_m: { SHORT($x0_m) } m)
stations-and-levels-at = stations and the levels at which they are measured go together; give both or neither
one-section-makes-no = one section makes no body; measure at least two, better three
must-rise-comes-after = must rise: { SHORT($b_m) } m comes after { SHORT($a_m) } m
stations-go-from-rear = stations go from the rear to the front: { SHORT($x_m) } m comes after { SHORT($x_m_2) } m
station-at-needs-one = the station at { SHORT($x_m) } m needs one half-width for each of the { $levels_z_m_count } { $levels_z_m_count ->
        [one] level
       *[other] levels
    }
leads-from-thing-to = “{ $self_name }” leads from a thing to itself; choose another end
there-twice-thing-has = “{ $of }” is there twice; a thing has one place and one size
place-names-bay-which = the place of “{ $of }” names the bay “{ $bay }”, which does not exist

## gas
run-feeds-appliance-which = the run “{ $p_name }” feeds the appliance “{ $appliance }”, which does not exist
run-feeds-appliance-which-another = the run “{ $p_name }” feeds the appliance “{ $appliance }”, which another run feeds already
run-begins-at-which = the run “{ $p_name }” begins at “{ $parent }”, which does not exist
run-leads-back-to = the run “{ $p_name }” leads back to itself; every run must begin at the regulator

## life
give-one-power-current = give one of power, current with voltage, energy in 24 h, or charge energy
required-with-current-write = is required with a current; write for example “5 A @ 12 V”
give-one-hours-per = give one of hours per day, part of the time, or uses per day
required-with-uses-per = is required with uses per day
too-much-on-line = { $count } × { SHORT($running_w) } W is more than { SHORT($most_kw) } kW on one line; check the number and the power
does-not-go-with = does not go with a label energy, which holds its own time
goes-only-with-part = goes only with part of the time or a label energy
together-draw-most-that = together draw { GROUPED($watts_kw, digits: 0) } kW; { SHORT($most_together_kw) } kW is the most that Bothy can calculate with

## lighting
zone-has-change-over = zone “{ $self_name }” has { $places_count }; two-way switches serve two places, push-buttons with a latching relay any number
zone-has-one-plain = zone “{ $self_name }” has { $places_count }; one plain switch serves one place. Choose two-way switches, or a latching relay

## mains
not-lead-leads = { SHORT($lead_mm2) } mm² is not a lead; leads are { $xs_mm2 } mm²
awg-not-lead-leads = { $lead_awg } AWG is not a lead; leads are { $leads_awg } AWG

## power
required-with-schedule = is required with a schedule
must-be-below-open = must be below the open-circuit voltage (voc_v)
must-be-below-short = must be below the current when the panel is shorted (isc_a)
has-values-needs-one = has { $shade_frac_count } values; it needs 24, one an hour, or none

## raceway
goes-with-trunking-only = goes with trunking only; a pipe has an inner diameter (inner_diameter_mm), an open run neither
goes-with-pipe-only = goes with a pipe only; trunking has a width (width_mm) and a height (height_mm), an open run neither

## roof
must-be-above = must be beyond where it begins ({ $axis }0_m: { SHORT($getattr_m) } m)
two-corners-dont-go = two corners of { SHORT($radius_mm) } mm don’t go into { SHORT($length_mm) } mm
must-be-at-least = must be at least the thinnest wall that it clamps (clamp_min_mm: { SHORT($clamp_min_mm) } mm)
must-be-at-least-ahead = must be at least 0.3 m ahead of where it begins (x0_m: { SHORT($x0_m) } m)
more-than-half-width = is more than half of the width ({ SHORT($width_m) } m); a roof is flatter than that
there-twice-thing-lies = “{ $of }” is there twice; a thing lies once on the roof, and has one cut-out

## sides
set-out-twice-opening = “{ $of }” is set out twice; an opening is cut once

## sizing
missing-for-stands-on = is missing for the { $kind } “{ $self_name }”; it stands on its data sheet

## trips
ends-after-midnight-put = ends after midnight; put the rest of the drive on the next leg
lies-in-first-drive = lies in the first drive, which ends at { SHORT($drive_start_h) } h
ends-after-midnight-begin = ends after midnight; begin earlier or run it shorter
not-date-write-for = is not a date; write for example 2026-10-01
must-lie-in-years = must lie in the years { $first_year } to { $last_year }
make-most = make { $whole } { $whole ->
        [one] day
       *[other] days
    }; at most { $most_days } are possible

## warmth
required-for-layer-your = is required for a layer of your own, or choose a material
required-for-layer-your-own = is required for a layer of your own: how it holds vapour back, 1 for fibre, 10,000 for plastic
not-material-table = “{ $material }” is not a material of the table
air-gap-must-be = of an air gap must be at least 1 mm
has-neither-layer-nor = “{ $self_name }” has neither a layer nor a skin; give it one
must-be-more-than = must be more than the { FIX($own_mm, digits: 0) } mm that a rib itself takes
must-be-at-most = must be at most the largest output
must-be-at-most-electricity = must be at most the electricity at full output
must-be-at-most-for = must be at most 1 for what burns
wood-counted-by-mass = wood is counted by mass; give kilograms
pump-has-largest-head = a pump has a largest head and a largest flow; give both
fan-give-free-flow = “{ $self_name }” is a fan: give its free flow, from the label
must-be-colder-than = must be colder than it is to be inside by day and night
surface-names-build-up = the surface “{ $s_id }” names the build-up “{ $build_up }”, which does not exist
duct-branches-off-which = the duct “{ $at_name }” branches off “{ $parent }”, which does not exist
duct-branches-off-itself = the duct “{ $d_name }” branches off itself: no air can get into it
names-duct-which-does = “{ $drying_name }” names the duct “{ $duct }”, which does not exist

## water
stepped-probe-needs-heights = a stepped probe needs the heights of its steps, rising
must-differ-from-empty = must differ from the signal when empty (empty_signal)
must-be-more-than-cut = must be more than the cut-in pressure (cut_in_kpa: { SHORT($cut_in_kpa) })
not-known-fitting-known = “{ $name }” is not a known fitting; known are { $fittings }
must-come-to-times = “{ $name }” must come 0 to 100 times
give-rated-or-rated = give the rated litres (rated_l) or the rated months (rated_months), or both
joins-tank-which-does = “{ $j_name }” joins the tank “{ $t }”, which does not exist
tank-joined-twice-list = the tank “{ $t }” is joined twice; list all joined tanks in one crossover
run-begins-at-which-does = the run “{ $at_name }” begins at “{ $parent }”, which does not exist
run-leads-back-to-itself = the run “{ $r_name }” leads back to itself; every run must begin at the pump

## wiring
give-size-in-or = give a size in mm² or in AWG, not both
give-size-return-in = give the size of the return in mm² or in AWG, not both
for-circuit-solar-controller = is for the circuit of a solar controller only
for-cable-from-panels = is for the cable from panels only
board-fed-from-board = board “{ $at_name }” is fed from the board “{ $fed_from }”, which does not exist
board-goes-round-in = board “{ $b_name }” goes round in a circle; every board must lead back to the busbar
board-and-board-not = board “{ $b_name }” and board “{ $at_name }” are not on the same side, direct current or mains
