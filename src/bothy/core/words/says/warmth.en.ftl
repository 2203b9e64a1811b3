# What warmth says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## air_rules
air-would-keep-dry = { FIX($dry_flow_m3_h, digits: 0) } m³/h of air would keep it dry
outside-air-alone-cant = outside air alone can’t keep it dry
surface-falls-to-at = The surface falls to { FIX($surface_c, digits: 1) } °C at night, and the air condenses at { FIX($night_dew_c, digits: 1) } °C; { $flow }.
at-night-surface-at = At night the surface is at { FIX($surface_c, digits: 1) } °C, and the humidity there reaches { PER_CENT($rh_frac, digits: 0) }: mould grows from about 80 %.
during = during the day
at-night = at night
for-needs-outside-air = For 60 % it needs { FIX($need_m3_h, digits: 0) } m³/h of outside air
outside-air-cant-bring = Outside air can’t bring it to 60 %
air-inside-has-humidity = The air inside has { PER_CENT($rh, digits: 0) } humidity { $when }, with { FIX($g_g_h, digits: 0) } g/h of water given off. { $ask }; { FIX($night_flow_m3_h, digits: 0) } m³/h flow now.
outside-air-holds-vapour = Outside air holds { FIX($outdoor_vapour_pressure_pa, digits: 0) } Pa of vapour, more than 60 % inside at { SHORT($night_c) } °C.
hang-quilted-screen = Hang a quilted screen
put-in-foam-plug = Put in a foam plug
open-flame-gives-off = An open flame of { FIX($hob_kw, digits: 1) } kW of heat gives off carbon monoxide, carbon dioxide and { FIX($hob_g, digits: 0) } g of water an hour.
fixed-vents = Fixed vents
fixed-vents-high-up = Fixed vents high up have { GROUPED($have_high_mm2, digits: 0) } of { GROUPED($gas_high_mm2, digits: 0) } mm² of free area, low down { GROUPED($have_low_mm2, digits: 0) } of { GROUPED($gas_low_mm2, digits: 0) } mm².
vent-can-be-closed = The vent can be closed, so it doesn’t count as a fixed vent for the gas.
carbon-monoxide-reaches-while = Carbon monoxide reaches { FIX($co_ppm, digits: 0) } ppm while the hob burns, from a sound burner and with the largest fan on.
carbon-dioxide-reaches-after = Carbon dioxide reaches { GROUPED($co2_at_end_ppm, digits: 0) } ppm after eight hours with { FIX($night_flow_m3_h, digits: 0) } m³/h.
carbon-dioxide-reaches-by = Carbon dioxide reaches { GROUPED($co2_at_end_ppm, digits: 0) } ppm by morning with { FIX($night_flow_m3_h, digits: 0) } m³/h of outside air; { FIX($need_m3_h, digits: 0) } m³/h keep it under { GROUPED($stale_ppm, digits: 0) } ppm.
fan-moves-because-inlet = The fan moves { FIX($flow_m3_h, digits: 0) } of its { FIX($speed_frac_m3_h, digits: 0) } m³/h because the inlet is { GROUPED($inlets_mm2, digits: 0) } mm²; { GROUPED($inlet_area_for_90pct_mm2, digits: 0) } mm² would give 90 %.
fan-lowers-pressure-inside = The fan lowers the pressure inside by { FIX($inlet_pressure_pa, digits: 1) } Pa. From { SHORT($backdraught_pa) } Pa, fumes can be drawn back down an open flue.
shower = Shower
showers-extract-moves-shower = The shower’s extract moves { FIX($best_m3_h, digits: 0) } m³/h. A shower needs at least 40 m³/h, and a gap under its door for the air that follows.
alarms = Alarms
something-burns-aboard-and = Something burns aboard or beside the vehicle, and there is no carbon monoxide alarm in “Daily use” or “Heat and air”.
there-no-smoke-alarm = There is no smoke alarm yet, and { FIX($people, digits: 0) } { $people ->
    [one] sleeps
   *[other] sleep
 } here.
put-smoke-alarm-on = Put a smoke alarm on the ceiling
smoke-alarm = Smoke alarm
alarm-hangs-from-burner = The alarm hangs { FIX($burner_mm, digits: 0) } mm from the burner; it should be 1.0 to 3.0 m away
on-wall-alarm-hangs = On the wall the alarm hangs { FIX($below_ceiling_mm, digits: 0) } mm under the ceiling; it should be at least 150 mm under it
on-ceiling-alarm-sits = On the ceiling the alarm sits { FIX($wall_mm, digits: 0) } mm from the wall; it should be at least 300 mm from it
air = Air

## airing
meals = meals
showers = showers
people-asleep = people asleep
people-awake = people awake
wet-clothes = wet clothes
wet-coats = wet coats
drying-cupboard-into-room = drying cupboard into the room
rooms-fixed-vents-at = room’s fixed vents { $k }, at least

## build_up
not-material-table = “{ $material }” is not a material of the table
must-be-at-least = must be at least 0
required = is required
air-gap-must-be = of an air gap must be 1 to 300
must-be-more-than = must be more than 0
required-where-neither-material = is required where neither material nor the thermal resistance (r_m2k_w) is given
must-be-more-than-ribs = must be more than the ribs’ own { FIX($zone_mm, digits: 0) } mm
as-clear-insulation-replaced = as U_clear, insulation replaced by air

## cabinet
must-be-above-room = must be above the temperature of the room (room_temp_c)
required-with = is required with { $one }
heat-has-no-way = the heat has no way out: give the case an area, or both vents one
free-grille-free-part = free/grille free part
heat-vent = Heat to vent

## condensation
in-layer = in { $layer }
must-differ-from-indoor = must differ from the temperature inside (indoor_temp_c)
needs-material-mu-or = “{ $called }” needs a material, mu or the vapour resistance as metres of air (sd_m) to say how vapour passes it

## coolant
must-be-above-cold = must be above the cold side, going in (cold_in_temp_c)
must-be-above-fill = must be above the temperature at filling (fill_temp_c)
re-laminar-swamee-jain = 64/Re laminar, Swamee-Jain turbulent
effectiveness = Effectiveness

## cooling
usual-for-this-supply = usual for this supply
sol-air-temperature = Sol-air temperature

## ducts
every-run-closed-air = every run is closed: the air has no way out and the heater would overheat
max-over-runs-need = max over the runs of need − what arrives
must-be-table-numbers = must be a table of numbers from 0 on, with at least as many rows (outlets) as columns (runs)
at-most-outlets = at most { $most_outlets } outlets
required-where-costs-not = is required where costs is not given
at-most = at most { $most_outlets }
more-than-heater-has = are more than the heater has outlets
pressure-lost = Pressure lost
heat-arrives = Heat that arrives
temperature-end = Temperature at the end

## heat_loss
must-be-below-indoor = must be below the temperature inside (indoor_temp_c)
must-have-some-area = must have some area
give-contents-or-volume = give contents or a volume: nothing holds heat
time-constant = Time constant
heat-hold = Heat to hold it
temperature-space = Temperature of the space
air-2 = By air
through-surfaces = Through the surfaces

## heater
must-be-at-most = must be at most the maximum output of the heater (heater_max_w)
least-output = Least output
heat-on-mild = Heat on a mild day
cycles-above = Cycles above
must-be-at-most-for = must be at most 1 for what burns
wood-counted-by-mass = wood is counted by mass; give the mass of the tank (tank_mass_kg)
usual-for-this-fuel = usual for this fuel
at-most-max = at most P_max
method-warmth-heaters = method warmth.heaters
as-given-or-starts = as given, or starts an hour while it cycles
fuel = Fuel
lowest-temperature-holds = Lowest temperature it holds
output-altitude = Output at this altitude
heater-choose = Heater to choose

## heater_rules
under-floor = under the floor
to-front = to the front
daily-use-counts-electricity = Daily use counts the electricity of this heater; its fuel, exhaust and heat are not described yet.
heating = Heating
in-planned-months-gets = In the planned months it gets to { FIX($cold_c, digits: 0) } °C outside; { GROUPED($needed_w, digits: 0) } W of heat keep it at { SHORT($indoor_c) } °C, and there is no heater.
heaters-give-at-this = The heaters give { FIX($together_w, digits: 0) } W of heat at this height, and { FIX($needed_w, digits: 0) } W of heat are needed with the margin: { SHORT($indoor_c) } °C inside hold down to { FIX($held_c, digits: 0) } °C outside.
heaters-give-and-needed = The heaters give { FIX($together_w, digits: 0) } W of heat, and { FIX($needed_w, digits: 0) } W of heat are needed: most of the time they run low or go on and off.
at-outside-heater-runs = At 8 °C outside the heater runs { PER_CENT($mild_duty_frac, digits: 0) } of the time; above { FIX($cycles_above_temp_c, digits: 0) } °C it goes on and off.
run-heater-at-full = Run the heater at full output for 20 minutes a week to keep it clean; a smaller one doesn’t hold the cold.
at-above-sea-heater = At { GROUPED($highest_m, digits: 0) } m above the sea the heater has { PER_CENT($available_w, digits: 0) } of its output, and it soots.
stove-gives-up-to = The stove gives up to { FIX($max_kw, digits: 1) } kW of heat. It needs 400 mm to what can burn and 600 mm before it, a hearth and outside air, and it is out on the road.
heaters-combustion-air-comes = The heater’s combustion air comes from the living space, and with it burnt gas can come back.
exhaust-ends-from-opening = The exhaust ends { FIX($exhaust_end_mm, digits: 0) } mm from an opening or air intake. It should end at least 500 mm away: exhaust gas can kill.
exhaust-ends-from-where = The exhaust ends { $ends }, from where its gas is drawn back inside.
joint-or-flexible-part = A joint or flexible part of the exhaust lies in the living space.
exhaust-passes-from-something = The exhaust passes { FIX($exhaust_to_combustible_mm, digits: 0) } mm from something that burns, a tyre, a cable or a line. { $exhaust_sleeved ->
    [yes] With
   *[no] Without
 } a heat sleeve it should keep at least { $least_mm } mm away.
long-at-most-allowed = it is { FIX($exhaust_length_mm, digits: 0) } mm long; at most 2000 mm are allowed
bends-add-up-to = its bends add up to { FIX($exhaust_bends_deg, digits: 0) }°; at most 270° are allowed
has-low-point-without = it has a low point without a drain hole
exhaust = Of the exhaust:{" "}
joint-fuel-line-or = A joint of the fuel line, or its tank, lies in the living space.
slopes-instead-to = it slopes { FIX($pump_slope_deg, digits: 0) }° instead of 15 to 35°
sucks-up-at-most = it sucks { FIX($suction_m, digits: 1) } m up; at most 1 m is allowed
fuel-pump = Of the fuel pump:{" "}
heaters-service-side-has = The heater’s service side has { FIX($service_clear_mm, digits: 0) } mm of free space; it needs at least 200 mm.
heaters-feed-passes-switch = The heater’s feed passes a switch or the main switch: cut off hot, the heater overheats.
fuel-lasts-at-design = The fuel lasts { FIX($autonomy_days, digits: 1) } days at the design cold, at { $used } a day; { FIX($days, digits: 0) } { $days ->
        [one] day is
       *[other] days are
    } planned.
heater-uses-electricity-that = The heater uses { FIX($electrical_wh_day, digits: 0) } Wh of electricity a day, of the { FIX($usable_wh, digits: 0) } Wh that the battery bank gives.

## heating
air-changes = Air changes
quilted-screen-inside = a quilted screen inside the { $s_name }
foam-plug-in = a foam plug in the { $s_name }
quilted-curtain-before-cab = a quilted curtain before the cab
more-insulation-in = 20 mm more insulation in “{ $build_name }”
foam-over-ribs = 10 mm of foam over the ribs of “{ $build_name }”
draughts-sealed-to-half = draughts sealed to half an air change an hour
air-lining-and-furniture = air, lining and furniture
outdoors = Outdoors
indoors = Indoors

## layout
no-damper = no damper
damper-open = damper open
damper-at = damper at 20°
damper-at-2 = damper at 30°
damper-at-3 = damper at 45°
damper-at-4 = damper at 60°

## layout_rules
gas-locker = gas locker
engine-space = engine space
that-needed-here-arrive = Of the { FIX($need_w, digits: 0) } W of heat that are needed here, { FIX($delivered_w, digits: 0) } W of heat arrive.
duct-loses-on-way = The duct loses { FIX($loss_w, digits: 0) } W of heat on its way, { PER_CENT($lost, digits: 0) } of what it carries.
insulate-with-sleeve = Insulate the duct with a 13 mm sleeve
duct-long-at-should = the duct is { SHORT($length_m) } m long; at { SHORT($diameter_mm) } mm it should be at most { SHORT($most_m) } m
duct-has-bends-should = the duct has { $bends_90 } { $bends_90 ->
        [one] bend
       *[other] bends
    }; it should have at most three
duct-bent-to-radius = the duct is bent to { SHORT($bend_radius_mm) } mm; the radius should be at least { SHORT($diameter_mm) } mm
air-leaves-from-fabric = Air of { FIX($supply_c, digits: 0) } °C leaves { FIX($to_fabric_mm, digits: 0) } mm from fabric. Keep fabric at least 200 mm away.
ducts = Ducts
air-in-ducts-gets = The air in the ducts gets to { FIX($hottest_c, digits: 0) } °C with { FIX($total_flow_m3_h, digits: 0) } m³/h. It should be at most { SHORT($supply_hot_c) } °C.
change-outlets = Change the outlets
coldest-zone-lacks-with = The coldest zone lacks { FIX($worst_shortfall_w, digits: 0) } W of heat; with{" "}
on-outlet = { $x_name } on outlet { $best_outlets }
lacks = {" "}it lacks { FIX($best_worst_w, digits: 0) } W of heat.
return-air = Return air
return-takes-that-fan = The return takes { FIX($return_pa, digits: 0) } Pa of the { FIX($plenum_pa, digits: 0) } Pa that the fan gives.
to-draw-all-air = To draw all its air through this return would take { FIX($return_pa, digits: 0) } Pa; the fan gives { FIX($plenum_pa, digits: 0) } Pa, so far less air comes.
heater-draws-air-from = The heater draws its air from the { $sources } and blows it into the living space.
there-ducts-and-no = There are ducts and no heater that blows air into them.
outlet = { $outlets } { $outlets ->
    [one] outlet
   *[other] outlets
 }
at-heater-begin-runs = At the heater begin { $begin } { $begin ->
        [one] run
       *[other] runs
    }, and it has { $has }: join runs with a branch.
every-outlet-closed-air = Every outlet is closed: the air has no way out.
every-outlet-can-be = Every outlet can be closed. With all of them shut the heater overheats.
coolant-loop = Coolant loop
coolant-heater-no-loop = This heater warms coolant, and no loop is entered that brings its heat into the room.
loop-no-open-zone = No zone of the loop is open: the heat of “{ $h_name }” goes nowhere, and the heater shuts down hot.
loop-nothing-heats = The loop is entered, and no coolant heater that warms it.
emitters-give-less = The emitters of the open zones give { FIX($warms_w, digits: 0) } W at the loop’s supply; with every other heater the room gets { FIX($room_w, digits: 0) } W of the { FIX($needed_w, digits: 0) } W that hold { FIX($indoor_c, digits: 0) } °C.
loop-needs-head-at = The loop needs a head of { FIX($head_m, digits: 2) } m at { FIX($flow_l_min, digits: 1) } L/min; the pump gives { FIX($pump_head_m, digits: 2) } m.
coolant-flows-at-pipe = The coolant flows at { FIX($velocity_m_s, digits: 2) } m/s: { $velocity_m_s_over ->
    [yes] the pipe hums
   *[no] air stays in the pipe
 }.
floor-gets-to-under = The floor gets to { SHORT($floor_c) } °C. Under feet it should be at most { SHORT($floor_most_c) } °C.
high-point-loop-has = A high point of the loop has no bleed valve: air stays there and stops the flow.
header-tank-has-free = The header tank has { FIX($header_space_l, digits: 2) } L free; the coolant needs { FIX($header_space_l_2, digits: 2) } L to expand.
coolant-freezes-at-should = The coolant freezes at { SHORT($freezes_c) } °C. It should stand { FIX($cold_c, digits: 0) } °C.
ethylene-glycol-poison-flows = Ethylene glycol, a poison, flows behind a single wall from drinking water.
use-propylene-glycol = Use propylene glycol
tap-gets-at-at = The tap gets { FIX($hot_water_c, digits: 0) } °C at { SHORT($hot_water_l_min) } L/min; at 38 °C { FIX($hot_water_38_l_min, digits: 1) } L/min would come.
loop-at-and-no = The loop is at { SHORT($supply_c) } °C, and no valve mixes the tap’s water with cold: it can scald.
fit-thermostatic-valve = Fit a thermostatic valve

## moisture
required-or-kind-source = is required, or a kind of source
more-than-whole-resistance = is more than the whole resistance of the surface
required-where-flow-not = is required where the flow (flow_m3_h) is not given
vapour-pressure-inside = Vapour pressure inside

## presets
foil-faced-board-taped = Foil-faced board 50, taped, ply
sprayed-foam-ply = Sprayed foam 40, ply
extruded-board-ply = Extruded board 40, ply
sheep-wool-ply-no = Sheep wool 50, ply, no barrier
sheep-wool-behind-taped = Sheep wool 50 behind a taped foil, ply
textile-behind-variable-membrane = Textile 50 behind a variable membrane, ply
sheep-wool-foam-over = Sheep wool 50, foam over the ribs, ply
foil-faced-gap-foil = Foil-faced gap 15, foil board 25, ply
polyethylene-foam-carpet = Polyethylene foam 10, carpet
bubble-foil-glued-flat = Bubble foil glued flat, ply
lining-carpet-only = Lining carpet only
bare-skin = Bare skin
floor-ply-extruded-board = Floor: ply 12, extruded board 30
floor-ply-extruded-board-2 = Floor: ply 9, extruded board 15
light-body-ply-bead = Light body: ply 4, bead board 30, aluminium
sandwich-body = Sandwich body 50
hull-ply-closed-cell = Hull: ply 4, closed-cell foam 19

## schools
with-one-taped-foil = with one taped foil on the warm side
open-to-vapour-no = open to vapour, no membrane

## shell
required-for-box = is required for a box
has-no-cab-to = a { $preset } has no cab to be open to; give “bulkhead” or “none”
there-no-front-wall = there is no front wall: the cab is open
one-in-which-isnt = one is in the { $on }, which isn’t there: the cab is open
what-cut-out-larger = what is cut out of the { $name } is { FIX($a_m2, digits: 2) } m² larger than the { $name }

## shell_rules
shell = Shell
until-this-corrected-no = . Until this is corrected, no openings are counted.
this-opening-in-front = This opening is in the front wall, and there is none while the living space is open to the cab. So it isn’t counted.
value-and-should-be = The U-value is { FIX($u_effective, digits: 2) } W/(m²K) and should be at most { SHORT($limit) } W/(m²K); { FIX($ua_w, digits: 0) } W of heat are lost here at { SHORT($cold_c) } °C.
cab-glass = cab glass
cabs-glass-loses-all = The cab’s glass loses { PER_CENT($share, digits: 0) } of all the heat; quilted screens would save { FIX($saved_w, digits: 0) } W of heat.
clear-height-and-tallest = The clear height is { FIX($headroom_m, digits: 2) } m, and the tallest person is { FIX($tallest_m, digits: 2) } m tall.
at-noon-dark-roof = At noon the dark roof takes in about { FIX($u_effective_w, digits: 0) } W of heat more than a white one.
paint-white = Paint the roof white
hang-screens-inside-cabs = Hang screens inside the cab’s glass
hang-screen-inside = Hang a screen inside the { $bare_name }
put-foam-over-ribs = Put { SHORT($mm) } mm of foam over the ribs
ribs-carry-what-passes = The ribs carry { PER_CENT($rib_share_frac, digits: 0) } of what passes the { $s_name }: { FIX($u_clear_w_m2k, digits: 2) } W/(m²K) between them, { FIX($u_value_w_m2k, digits: 2) } W/(m²K) with them.
voids-raise-value-to = Voids of { PER_CENT($void_frac, digits: 0) } raise the U-value to { FIX($u_value_w_m2k, digits: 2) } W/(m²K); without them it is { FIX($tight_w_m2k, digits: 2) } W/(m²K).
without-gap-foil-adds = Without a gap of 10 mm the foil adds only its own { FIX($resistance_m2k_w, digits: 2) } m²K/W.
boards-wide-on-radius = Boards { FIX($strip_mm, digits: 0) } mm wide on a radius of { SHORT($radius_m) } m stand off by { FIX($gap_mm, digits: 0) } mm.
deadening-covers-weighs-more = Deadening covers { PER_CENT($coverage_frac, digits: 0) }: it weighs { FIX($coverage_frac_kg, digits: 1) } kg more than on 35 %, which does as well.
gives-way-under = { $within } gives way under 100 kPa
only-board-spread-load = only { SHORT($spread_mm) } mm of board spread the load
under-feet-and-furniture = Under feet and furniture: { $what }.
this-build-up-covers = This build-up covers a drain hole of the body: water stays behind it, and the metal rusts.
about-water-per-condense = About { FIX($g, digits: 1) } g of water per m² a day condense at “{ $where }” in the { $s_name }, at { SHORT($cold_c) } °C outside and 60 % inside.
layer-from-inside-holds = Layer { $i } from the inside holds vapour back, with only { PER_CENT($r_total, digits: 0) } of the insulation on its cold side; at least 67 % belong there.
warm-side-fibre-has = The warm side of the fibre has { FIX($inside_m, digits: 1) } m of vapour resistance; about { FIX($g, digits: 0) } g/m² a day reach the skin.
fibre-lies-between-two = The fibre lies between two tight layers: water that gets in can’t get out.
skin-at-air-inside = The skin is at { FIX($skin_inner_temp_c, digits: 0) } °C, the air inside condenses at { FIX($dew_c, digits: 0) } °C: every gap in the barrier wets it.

## summer_rules
without-cooling-inside-gets = Without cooling the inside gets to { FIX($hottest_c, digits: 0) } °C at { SHORT($hot_c) } °C outside
people-or-animals-left = ; people or animals are left in it. That can kill within an hour.
leave-nobody-in-alone = ; leave nobody in it alone.
cooler-takes-out-and = The cooler takes out { FIX($capacity_w, digits: 0) } W of heat, and { FIX($needed_w, digits: 0) } W of heat come in; without it the inside gets to { FIX($hottest_c, digits: 0) } °C.
cooler-takes-out-and-come = The cooler takes out { FIX($capacity_w, digits: 0) } W of heat, and { FIX($needed_w, digits: 0) } W of heat come in: it cools in bursts and leaves the air damp.
battery-bank-runs-cooler = The battery bank runs the cooler for { FIX($bank_h, digits: 1) } of { SHORT($hours_wanted_h) } h at the hottest, without any sun; it draws { FIX($mean_w, digits: 0) } W.
cooler-takes-to-start = The cooler takes { FIX($start_power_w, digits: 0) } W to start, more than the inverter gives for a moment.
hose-throws-out = The hose throws out { FIX($hose_w, digits: 0) } W of heat, of { FIX($capacity_w, digits: 0) } W of heat in all.
bay-falls-to-at = The bay falls to { FIX($temp_c, digits: 1) } °C at { SHORT($cold_c) } °C outside; { FIX($heat_w, digits: 0) } W of heat would keep it at 3 °C.
cabinet-gets-to-what = The cabinet gets to { FIX($temp_c, digits: 0) } °C; what stands in it may get to { SHORT($max_c) } °C. It needs a low and a high vent of { GROUPED($each_mm2, digits: 0) } mm² each, or a fan of { FIX($fan_m3_h, digits: 0) } m³/h.
fridges-flue-space-open = { $no_sealed_from_room ->
    [yes] The fridge’s flue space is open to the room.{" "}
   *[no] {""}
 }The fridge has { GROUPED($low_mm2, digits: 0) } mm² of vent low down and { GROUPED($high_mm2, digits: 0) } mm² high up; it needs 25,000 mm² each.
air-takes-off-at = The air takes off { FIX($carries_g_h, digits: 0) } g/h at { FIX($temp_c, digits: 0) } °C; { FIX($needs_g_h, digits: 0) } g/h are needed, with { FIX($heat_w, digits: 0) } W of heat to evaporate it.
hot = Hot day

## surfaces
floor = floor
roof = roof
rear = rear
windscreen = windscreen
firewall = firewall
left-side = left side
right-side = right side
front-wall = front wall
cab-side-glass = cab side glass
cab-doors = cab doors
cab-roof = cab roof
cab-floor = cab floor
pop-top-canvas = pop-top canvas
pop-top-lid = pop-top lid
air-gap = air gap
own-layer = own layer
typical-method-warmth-value = { $what }, typical; method warmth.u-value
value = U-value, { $build_name }
section-along-with-cab = section along x, with cab, slide-outs and pop-top
width-at-lowest-level = width at the lowest level along x
as-typed = as typed
bulkhead-with-pad = bulkhead with its pad
slide-out-sandwich = slide-out, 30 mm sandwich
quilted-liner = , quilted liner

## ventilation
required-with-mode = is required with mode “{ $mode }”
required-with-method = is required with the method “{ $by }”
flow-warmth-wind = Flow by warmth and wind
effective-opening = Effective opening
inlet-free-flow = Inlet for 90 % of the free flow
fan-power = Fan power
flow-through-fan-inlet = Flow through fan and inlet

## air
humidity-surface = Humidity at the surface
humidity-ratio = Humidity ratio
absolute-humidity = Absolute humidity
dew-point = Dew point
vapour-pressure = Vapour pressure
saturation-pressure = Saturation pressure
enter-in-daily-use = Enter it in “Daily use”
fan-takes-and-daily = The fan takes up to { FIX($power_max_w, digits: 0) } W, and “Daily use” has fewer fans than “Heat and air”: neither its energy nor its circuit is planned.
