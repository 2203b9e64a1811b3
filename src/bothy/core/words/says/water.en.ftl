# What water says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## accumulator
must-be-more-than = must be more than the cut-in pressure (cut_in_kpa: { SHORT($cut_in_kpa) })
must-be-at-most = must be at most the cut-in pressure (cut_in_kpa: { SHORT($cut_in_kpa) }): above it the pump never fills the accumulator
cut-in-at-least = cut-in − 14, at least 0
draw-takes-all-pump = the draw takes all the pump gives: it never stops
draw-down-share = Draw-down share

## autonomy
store-comes-twice-give = the store “{ $s_name }” comes twice; give each once
least-usable-flow = least of usable/flow a day: { $least_name }

## care
must-be-less-than = must be less than the chlorine to reach (target_mg_l: { SHORT($target_mg_l) })
required-for = is required for a { $product_type }
give-rated-or-rated = give the rated litres (rated_l) or the rated months (rated_months), or both
filter = filter { $i }
chlorine = Chlorine

## crossover
must-lie-in-tank = must lie in the tank, from { SHORT($floor_z_m) } m to { SHORT($top_m) } m
must-be-one-to = must be one of 0 to { $tanks_count }
crossover-must-lie-under = the crossover must lie under the top of every tank
must-lie-in-outlets = must lie in the outlet’s tank, from { SHORT($floor_z_m) } m to under { SHORT($top_m) } m
water-over-outlet-and = water over the outlet, and over outlet and crossover in the others
same-with-every-tank = the same with every tank full

## demand
no-shower = no shower
this-toilet-isnt-flushed = this toilet isn’t flushed
typical-method-water-demand = typical; method water.demand
style-typical-method-water = { $style } style, typical; method water.demand
half-as-much-again = 50 % more in heat
no-hot-climate = no hot climate
drinking-from-store-own = drinking, from a store of its own
none-comes-from-tank = none: it comes from the tank
this-toilet-has-none = this toilet has none
total-drinking-store = total − drinking store
flush-person-at-home = flush + 1.4 L + 0.2 L a person at home
person-at-home = 1.4 L a person at home
and-cover-person-at = 0.2 L and cover a person at home
person-at-home-gelled = 1.6 L a person at home, gelled

## gauge
required-for-stepped-probe = is required for a stepped probe: the heights of its steps
must-rise-from-step = must rise from step to step
must-be-whole-number = must be a whole number from 0 to { $step_z_m_count }
required-for-sender = is required for a { $sender_type } sender
must-differ-from-empty = must differ from the signal when empty (empty_signal)
must-lie-in-tank-from = must lie in the tank, from { SHORT($bottom_m) } m to { SHORT($top_m) } m
must-be-above-sender = must be above the sender’s lowest point (sender_empty_z_m)
volume-under-senders-lowest = volume under the sender’s lowest point − dead, at least 0
full-volume-at-senders = full − volume at the sender’s highest point
at-lowest-level-reading = V at the lowest level of the reading − dead
at-highest-level-reading = V at the highest level of the reading − dead
mean-both-usable = mean of both/usable

## heat_and_frost
heat-shower = heat of the shower
flow-at = flow at 38 °C
water-at = water at 38 °C
shower-gives = shower it gives
time-to-heat = time to heat
heat-in-boiler = heat in the boiler
standing-loss = standing loss
charge-one-heating = charge of one heating
heat-that-holds = heat that holds { $p_name }

## hold_test
required-for-test-with = is required for a test with air: the whole volume under test
start = { SHORT($share_pc) } % of the start

## hot
required-to-solve-for = is required to solve for “{ $solve_for }”
must-be-more-than-inlet = must be more than the temperature at the inlet (inlet_temp_c: { SHORT($inlet_temp_c) })
water-would-boil-at = the water would boil ({ FIX($out_c, digits: 0) } °C); at least { FIX($water_l_min, digits: 1) } L/min is needed
must-be-more-than-start = must be more than the temperature at the start (start_temp_c: { SHORT($start_temp_c) })
must-be-more-than-cold = must be more than the cold temperature (cold_temp_c: { SHORT($cold_temp_c) })
must-be-at-least = must be at least the temperature of the mixed water (mix_temp_c: { SHORT($mix_temp_c) })
share-hot = Share of hot
heat-water = Heat to the water

## electric_rules
heater-of = Heater of “{ $name }”
element-takes-more-than = The element takes { FIX($element_w, digits: 0) } W; the hook-up gives { FIX($limit_w, digits: 0) } W in all, so its breaker trips.
heater-takes-and-isnt = The heater takes { FIX($watts_w, digits: 0) } W, { FIX($amps_a, digits: 0) } A from the battery bank, and no appliance of “Daily use” stands for it. No circuit and no energy is planned for it.
heater-takes-but-line = The heater takes { FIX($watts_w, digits: 0) } W; the line “{ $line }” of “Daily use”, which stands for it, counts { FIX($line_w, digits: 0) } W.

## part
the-dose = dose
contact-time = contact time
pumps-curve-against-pipes = pump’s curve against its pipes, open by itself
least-with-another-tap = the least with another tap open
what-stays-below-outlet = what stays below the outlet and the pipe
water = water a day
from-fresh-tank = of it from the fresh tank
grey-water = grey water a day
water-2 = days of water

## pipe
water-at-2 = water at { SHORT($temp_c) } °C
water-at-within = water at { SHORT($temp_c) } °C, within 2.5 %
must-begin-at-flow = must begin at flow 0
must-end-at-pressure = must end at pressure 0: the pump’s open flow
must-have-rising-flow = must have rising flow and falling pressure from point to point
outlets-still-pass-more = the outlets still pass more than the last flow at no pump pressure; a pump of more flow is needed
pumps-curve-at = the pump’s curve at Q
outlet = outlet { $i }

## pressure
pumps-curve-against-runs = pump’s curve against the runs, the outlet that draws most
pumps-curve-at-that = pump’s curve at that flow

## pressure_rules
tank-cant-be-shut = The tank can’t be shut off from the pump: a leak empties it, and the pump can’t be changed while it is full.
fit-shut-off-valve = Fit a shut-off valve
pump-has-no-strainer = The pump has no strainer before it, and grit in its valves stops a diaphragm pump.
fit-strainer = Fit a strainer
nothing-stops-pump-when = Nothing stops the pump when the tank is empty; run dry, it wears out.
fit-level-cut-off = Fit a level cut-off
pumps-joints-inside-body = The pump’s joints are inside the body, and no tray catches what they leak.
fit-drained-tray = Fit a drained tray
take-them-over = Use the figures of the curve
daily-use-counts-pumps = “Daily use” counts { FIX($said_wh, digits: 0) } Wh a day; the pump’s curve gives { FIX($energy_wh_day, digits: 0) } Wh: { FIX($watts_w, digits: 0) } W for { FIX($hours_min, digits: 0) } min.
were-read-on-circuit = { SHORT($read_a) } A were read on its circuit, the curve says { FIX($current_a, digits: 1) } A: correct the curve first.
pressure-side = Pressure side
pressure-can-reach-and = The pressure can reach { SHORT($highest_kpa) } kPa, and a part of the pipework is made for { SHORT($rated_kpa) } kPa.
water-inlet = Water inlet
taps-pitches-give-to = The taps of pitches give { $low } to { $high_kpa } kPa, more than hoses and taps of a vehicle are made for.
fit-limiter = Fit a limiter of 345 kPa
nothing-stops-water-tank = Nothing stops water of the tank from running back into the tap of the pitch, from which others drink.
fit-check-valve = Fit a check valve
pump-stands-over-electrics = The pump stands over electrics with no tray between.
pump-can-build-but = The pump can build { SHORT($pressure_kpa) } kPa but switches off at { SHORT($cut_out_kpa) } kPa, so it never stops.
precharge-above-pumps-cut = Precharge is { SHORT($precharge_kpa) } kPa, above the pump’s cut-in of { SHORT($cut_in_kpa) } kPa: water cannot enter the accumulator.
with-tap-half-open = With a tap half open the pump starts { FIX($cycles_per_hour, digits: 0) } { $cycles_per_hour ->
        [one] time
       *[other] times
    } an hour and runs for { FIX($run_time_s, digits: 1) } s each time.
fit-accumulator = Fit an accumulator of { SHORT($larger_l) } L
pipe-isnt-marked-for = The pipe isn’t marked for drinking water.
pipe-has-joint-that = The pipe has a joint that no hatch gives access to.
pipe-has-joint-over = The pipe has a joint over electrics with no tray between.
water-runs-through-pipe = The water runs through the pipe at { FIX($v_m_s, digits: 1) } m/s; it should be at most { SHORT($too_fast_m_s) } m/s.
lay-pipe = Lay a pipe of { SHORT($next_bore_mm) } mm
tap-gives = The tap gives { FIX($alone_l_min, digits: 1) } of { SHORT($wanted_l_min) } L/min.
tap-gives-with-open = The tap gives { FIX($shared_l_min, digits: 1) } of { SHORT($wanted_l_min) } L/min with “{ $shared_with }” open.
at-only-flow-heater = At “{ $worst_name }” only { FIX($shared_l_min, digits: 1) } L/min flow; the heater lights from { SHORT($min_flow_l_min) } L/min on.
move-filters-to-drinking = Move the filters to the drinking tap
coolant-loop-in-heat = The coolant loop in “Heat and air” should heat it, and has no plate exchanger with a rating.
showers-flow-needs-to = The shower’s flow needs { FIX($needed_kw, digits: 1) } kW of heat to be warm; the heater brings it to { FIX($reachable_c, digits: 0) } °C.
hot-water-lasts-at = Hot water lasts { FIX($shower_min, digits: 1) } of { SHORT($minutes_min) } min at 38 °C.
heating-water-once-takes = Heating the water once takes { FIX($charge_ah, digits: 0) } Ah, { PER_CENT($charge_ah_2, digits: 0) } of what the battery bank gives.
relief-opens-above-rating = The relief valve opens at { SHORT($opens_kpa) } kPa, and a part of the pipework is made for { SHORT($rated_kpa) } kPa: the pipe bursts before the valve opens.
relief-opens-below-pump = The relief valve opens at { SHORT($opens_kpa) } kPa, and pump or inlet bring { SHORT($works_kpa) } kPa: water runs out through the valve all the time.
relief-valve-that-leads = A relief valve that leads outside is not confirmed: without one, water that boils bursts the heater.
fit-relief-valve-that = Fit a relief valve of 600 kPa that leads outside
nothing-keeps-hot-water = Nothing keeps its hot water from the cold pipe when it expands: the cold tap runs warm, and the pump’s parts get hot.
fit-check-valve-and = Fit a check valve and a vessel
heated-water-needs-more = Heated, the water needs { FIX($expansion_ml, digits: 0) } mL more room
expansion-vessel-takes = ; an expansion vessel of { FIX($vessel_l, digits: 2) } L takes it.
and-relief-valve-set = , and the relief valve is set under the vessel’s precharge.
fit-vessel = Fit a vessel of { SHORT($up_l) } L
water-burns-adult-skin = Water of { FIX($max_c, digits: 0) } °C burns adult skin in { $burn }, a child’s in half of it.
fit-mixer-set-to = Fit a mixer set to 40 °C
water-kept-at-and = The water is kept at { SHORT($target_temp_c) } °C and never heated to 60 °C.
heat-to-each-week = Heat the water to 60 °C each week
hot-pipe-made-for = The hot pipe is made for { SHORT($pipe_rating_c) } °C, and the water in it can reach { FIX($hottest_c, digits: 0) } °C.
run-made-for = The run is made for { SHORT($rating_c) } °C, and hot water of { FIX($reach_c, digits: 0) } °C flows through it.
lay-pipe-for = Lay pipe for 95 °C
heater-can-be-switched = The heater can be switched on without water in it, and burns out.
fit-interlock = Fit an interlock
heaters-joints-inside-body = The heater’s joints are inside the body, and no tray catches what they leak.
sanitising = Sanitising
tanks-were-sanitised-ago = The tanks were sanitised { FIX($days_ago, digits: 0) } { $days_ago ->
        [one] day
       *[other] days
    } ago
when-tanks-were-last = When the tanks were last sanitised is not entered
and-water-has-stood = , and the water has stood for { FIX($standing_days, digits: 0) } { $standing_days ->
        [one] day
       *[other] days
    }
dose = . The dose is { FIX($dose, digits: 0) } { $unit }.
chlorine-with-acid-gives = Chlorine with acid gives off poisonous gas.
dose-gives-mg-chlorine = The dose gives { SHORT($target_mg_l) } mg/L of chlorine; hoses and seals stand at most 100 mg/L.
use-mg-and-no = Use 50 mg/L and no acid
filter-has-been-in = The filter has been in use for { FIX($used_days, digits: 0) } { $used_days ->
        [one] day
       *[other] days
    } and lasts { FIX($days, digits: 0) }.
enter-that-was-changed = Enter that it was changed today
up-to-flow-through = Up to { FIX($most_l_min, digits: 1) } L/min flow through a filter for { SHORT($rated_flow_l_min) } L/min: it takes { FIX($kpa, digits: 0) } kPa of the pressure.
move-to-drinking-tap = Move the filter to the drinking tap
no-filter-or-finer = No filter of 5 µm or finer stands before the lamp: particles shade what it should kill.
test-was-made-with = The test was made with { SHORT($start_kpa) } kPa of air. More than { SHORT($air_kpa) } kPa of air bursts a pipe like a bomb; water doesn’t.
last-pressure-test-failed = The last pressure test failed
last-pressure-test-must = The last pressure test must be repeated
pressure-test = Pressure test
and-walls-over-pipes = { $last }, and the walls over the pipes are closed.
set-to = Set the precharge to { SHORT($right_kpa) } kPa
lay-in = Lay “{ $runs_name }” in { SHORT($bore_mm) } mm

## rules
water-findings = water findings/{ $name }

## store_rules
backing-that-stands-water = backing that stands water
tray-bedded-and-fixed = tray bedded and fixed
walls-lapped-over-edge = walls lapped over its edge
joints-sealed = joints sealed
falls-to-drain = falls to the drain
curtain-or-door = curtain or door
extract-fan = extract fan
flooded-as-test = flooded as a test
would-last = ; { FIX($capacity_needed_l, digits: 0) } L would last
water-3 = Water
water-lasts-store-first = Water lasts { FIX($days, digits: 1) } of { SHORT($target_days) } { $target_days ->
        [one] day
       *[other] days
    }: the { $limiting } store is { $end } first{ $need }.
grey-tank-full-after = The grey tank is full after { FIX($grey, digits: 1) } days; fresh water lasts { FIX($fresh, digits: 1) }.
grey-tank-would-last = {" "}A grey tank of { FIX($larger_l, digits: 0) } L would last the stay.
drinking-water = Drinking water
there-to-drink-for = There are { FIX($have_l, digits: 0) } L to drink for { SHORT($target_days) } { $target_days ->
        [one] day
       *[other] days
    }; { FIX($people, digits: 0) } { $people ->
        [one] person needs
       *[other] people need
    } at least { FIX($least_l, digits: 0) } L.
when-was-last-sanitised = when it was last sanitised is not entered
was-sanitised-ago = it was sanitised { FIX($days_ago, digits: 0) } { $days_ago ->
        [one] day
       *[other] days
    } ago
you-drink-from-tank = You drink from the tank without a filter, and { $since }.
was-sanitised-today = It was sanitised today
was-month-ago = It was a month ago
was-half-year-ago = It was half a year ago
toilet = Toilet
separating-toilet-needs-vent = No vent leads the air of the separating toilet outside: the room smells, and what should dry stays wet.
black-tank-needs-vent = No vent leads the gas of the black tank over the roof: it comes up through the toilet, and it is poisonous and burns.
lead-vent-through-roof = Lead a vent through the roof
toilets-container-full-after = The toilet’s container is full after { FIX($days, digits: 1) } days.
carry-second-container = Carry a second container
design-says-that-toilet = The design says that the toilet is also emptied elsewhere than at a disposal point.
grey-water-2 = Grey water
draining-on-roads-pitches = Draining on roads, pitches and into rainwater gullies is prohibited or fined in most places.
goes-overboard = It goes overboard
grey-water-comes-to = On a day { FIX($comes_l, digits: 0) } L of grey water come, and neither a grey tank nor a container is entered that takes them.
catch-in-container = Catch it in a container of 15 L
tank-isnt-marked-for = The tank isn’t marked for drinking water.
tank-weighs-full-and = The tank weighs { FIX($mass_full_kg, digits: 0) } kg full, and the mass budget doesn’t count it as full.
count-as-full = Count the tank as full
full-tank-has-with = The full tank has { FIX($mass_full_kg, digits: 0) } kg with their middle { FIX($cg_z_m, digits: 2) } m over the floor.
tank-long-without-wall = The tank is { FIX($undivided_m, digits: 2) } m long without a wall inside: half full, the water swings once in { FIX($slosh_s, digits: 1) } s ({ FIX($slosh_hz, digits: 2) } Hz).
tank-stands-over-electrics = The tank stands over electrics with no tray between.
tanks-joints-inside-body = The tank’s joints are inside the body, and no tray catches what they leak.
gauge-doesnt-see-last = The gauge doesn’t see the last { FIX($blind_low_l, digits: 0) } L of { FIX($usable_l, digits: 0) } L.
cable-adds-to-sender = The cable adds { SHORT($cable_resistance_ohm) } Ω to a sender that changes by { SHORT($full_signal_ohm) } Ω from empty to full.
never-reach-outlet = Of { FIX($total_l, digits: 0) } L, { FIX($unusable_l, digits: 0) } L never reach the outlet.
set-crossover-at-lowest = Set the crossover at the lowest floor
while-pump-draws-levels = While the pump draws, the levels of the joined tanks part by { FIX($draw_difference_mm, digits: 0) } mm.
lay-pipe-2 = Lay a pipe of { SHORT($bore_mm) } mm
each-joined-tank-needs = Each joined tank needs its own vent, all ending together above the highest top.
tank-weighs-full-fixing = The tank weighs { FIX($mass_full_kg, digits: 0) } kg full: its fixing must hold { FIX($need_x_kn, digits: 1) } kN forward at { $school }.
fixing-holds-full-need = The fixing holds { FIX($have_kn, digits: 1) } kN { $way }; { FIX($mass_full_kg, digits: 0) } kg full need { FIX($need_kn, digits: 1) } kN ({ $school }).
no-vent-entered-for = No vent is entered for the tank
gases-come-out-at = : its gases come out at the traps.
cant-be-filled-and = : it can’t be filled, and the pump sucks it flat.
fit-vent = Fit a vent of 16 mm
vent-wide-needs-at = The vent is { SHORT($vent_mm) } mm wide; it needs at least 12 mm.
vent-wide-and-build = The vent is { SHORT($vent_mm) } mm wide, and { FIX($vent_pa, digits: 0) } Pa build up while filling; at least { SHORT($least_mm) } mm and at most { FIX($vent_pa_2, digits: 0) } Pa are right.
vent-ends-below-filler = The vent ends below the filler or the tank’s top, so water runs out of it.
lead-vent-up = Lead the vent upward
filler-wide-filled-by = The filler is { SHORT($fill_mm) } mm wide; filled by gravity it needs { SHORT($fill_mm_2) } mm, or the water comes back.
fit-filler = Fit a filler of 40 mm
pipe-falls-over-in = The pipe falls { FIX($fall_mm, digits: 0) } mm over { SHORT($length_m) } m; 1 in 50 would be { FIX($shallow_mm, digits: 0) } mm.
waste-pipe-wide-inside = The waste pipe is { SHORT($inner_diameter_mm) } mm wide inside; it needs at least { SHORT($least_mm) } mm.
lay-pipe-3 = Lay a pipe of { SHORT($least_mm) } mm
instead-at-least = { FIX($have_mm, digits: 0) } mm { $where } instead of at least { FIX($least_mm, digits: 0) } mm
before = before it
behind = behind it
worktop-leaves-breaks-there = The worktop leaves { $edges }: it breaks there, and the tap has no room.
waste-pipe-enters-tank = The waste pipe enters the tank without a trap, so the tank’s smell comes up.
fit-trap = Fit a trap
grey-tank-stands-inside = The grey tank stands inside, as high as the shower’s tray: full, it comes up there, and nothing warns of it.
fit-sensor-at = Fit a sensor at 90 %
shower = Shower
not-one-item-showers = Not one item of the shower’s list is confirmed: { $shower_list_count } { $shower_list_count ->
        [one] item keeps
       *[other] items keep
    } the water out of the walls.
enter-that-all-closed = Enter that all are closed, and flooded as a test
enter-only-first = Enter only the first: { $shower_words }
showers-list-items-open = Of the shower’s list { $open__count } of { $shower_list_count } { $shower_list_count ->
        [one] item is
       *[other] items are
    } open: { $shower_wordss }.
at-outside-water-in = At { FIX($coldest_c, digits: 0) } °C outside the water in it reaches 0 °C { $after }; { FIX($hold_w, digits: 0) } W of heat would keep it from freezing.
tank-has-no-drain = The tank has no drain valve at its lowest point, so what stays in it freezes.
fit-drain-valve = Fit a drain valve
at-once = at once
after = after { FIX($h_min, digits: 0) } min
after-2 = after { FIX($h, digits: 0) } h

## stores
water-one-use = water of one use
water-appliances = Water of the appliances

## tank
required-for-shape = is required for the shape “{ $shape }”
each-point-must-be = each point must be a pair [y, z] within 6 m
polygon-has-no-height = the polygon has no height
add-at-least-one = add at least one part; cuts alone hold nothing
tank-has-no-volume = the tank has no volume; the cuts take all of it
volume-falls-as-level = the volume falls as the level rises: a cut is larger than the tank around it
must-be-above-bottom = must be above the bottom at { SHORT($bottom_m) } m and at most the top at { SHORT($top_m) } m
must-lie-in-tank-from-up = must lie in the tank, from { SHORT($bottom_m) } m up, with water above it below { SHORT($full_m) } m
volume-under-highest-level = volume under the highest level
volume-under-outlet = volume under the outlet
must-lie-from-to = must lie from { SHORT($bottom_m) } m to { SHORT($top_m) } m
volume-under-level = volume under the level
volume-under-top = volume under the top
lowest-point-parts-that = lowest point of the parts that are added
highest-point-parts-that = highest point of the parts that are added
volume-dead-at-least = volume − dead, at least 0

## waste
must-be-less-than-level = must be less than the level (level_m: { SHORT($level_m) })

## frost
heat-hold = Heat to hold it
