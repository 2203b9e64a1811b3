# What gas says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## boil_off
higher-pressures-limit-and = the higher of the pressure’s limit and air − cooling
heat-vaporisation = heat of vaporisation

## cooking
must-be-more-than = must be more than the temperature at the start (start_temp_c: { SHORT($start_temp_c) })
name-each-method-once = name each method once

## countries
pol-left-hand = POL left-hand
clip-on-country = a clip-on of the country
qcc-type = QCC type 1
leisure-connection = 27 mm leisure connection
propane-only-in-winter = propane only in winter; refill plants take few foreign cylinders
autogas-everywhere-butane-rich = autogas everywhere, butane-rich in the south
united-kingdom = the United Kingdom
own-exchange-system-autogas = own exchange system; autogas nearly pure propane, forecourts closing
own-exchange-system = own exchange system
several-exchange-systems-not = several exchange systems, not interchangeable
and-cylinders-users-own = 5 and 11 kg cylinders of the user’s own exchanged; autogas about 60 % propane in winter, 40 % in summer
as-germany-autogas-about = as Germany; autogas about 60 % propane in winter, 40 % in summer
autogas-butane-rich-in = autogas butane-rich in summer
exchange-by-contract = exchange by contract
netherlands = the Netherlands
butane-only-carry-regulator = butane only; carry a regulator of the country
united-states = the United States
refill-by-mass-or = refill by mass or to the 80 % bleed screw
exchange-and-refill-common = exchange and refill common
new-zealand = New Zealand
your-own-private-vehicle = Your own private vehicle: a competent person, a registered engineer with leisure-vehicle scope strongly advised. Let, hired or lived in: a registered engineer by law.
inspection-record-landlords-record = an inspection record; a landlord’s record yearly if let
checked-every-year = checked every year
by-country-certified-tester = By country: a certified tester at commissioning (such as the national rule G 607), or a declaration at homologation.
test-certificate-that-names = a test certificate that names EN 1949
every-two-years-where = every two years where the national rule requires it
no-federal-licence-for = No federal licence for one’s own vehicle; several states license work on LP-gas.
built-to-nfpa-and = built to NFPA 1192 and NFPA 58; a dealer’s leak test
licensed-gasfitter-only-in = A licensed gasfitter only, in every state: own work is an offence.
certificate-compliance-and-plate = a certificate of compliance and a plate
as-states-rules-say = as the state’s rules say; yearly taken here
marine-qualified-engineer-en = A marine-qualified engineer (EN ISO 10239 or ABYC A-1).
as-flag-and-insurer = as flag and insurer ask
checked-every-year-hoses = checked every year, hoses dated
australia = Australia
canada = Canada
morocco = Morocco
turkey = Turkey
greece = Greece
croatia = Croatia
slovenia = Slovenia
lithuania = Lithuania
latvia = Latvia
estonia = Estonia
czechia = Czechia
poland = Poland
finland = Finland
norway = Norway
sweden = Sweden
denmark = Denmark
switzerland = Switzerland
luxembourg = Luxembourg
belgium = Belgium
portugal = Portugal
spain = Spain
italy = Italy
austria = Austria
germany = Germany
france = France
ireland = Ireland

## leak_test
allowed-gauge-step = allowed + gauge step
leak-one-step-gauge = the leak of one step of the gauge

## line_rules
taped-on-compression-thread = taped on a compression thread
daily-use-counts-electricity = Daily use counts the electricity of this appliance; the gas that it burns is not counted yet.
fridges-flame-burns-in = The fridge’s flame burns in the living space: the burnt gas, with carbon monoxide, stays where people sleep.
enter-that-fridge-sealed = Enter that the fridge is sealed from the room
flame-takes-air-from = The flame takes its air from the room where people breathe, and gives its burnt gas back to it.
design-uses-this-burner = The design uses this burner to warm the room.
dont-heat-with = Don’t heat with this burner
if-flame-blows-out = If the flame blows out, gas keeps flowing into the room.
appliances-plate-says-regulator = The appliance’s plate says { SHORT($nominal_mbar) } mbar; the regulator gives { SHORT($nominal_mbar_2) } mbar.
appliance-has-no-isolation = The appliance has no isolation valve.
appliances-isolation-valve-cant = The appliance’s isolation valve can’t be reached.
igniter-needs-mains-without = The igniter needs mains: without hook-up or inverter the appliance doesn’t light.
socket-gives = The socket gives { SHORT($nominal_mbar) } mbar;{" "}
valve-within-reach = a valve is within reach of it.
no-valve-within-reach = no valve within reach of it is entered.
no-pipe-leads-to = No pipe leads to this appliance, so the pressure at its burner can’t be calculated.
first-step-take-over = First step: take over { $word }
is-that-appliance = It is “{ $name }”
is-another-appliance = It isn’t in the list yet: enter it
which-gas-appliance = No appliance of Gas is named for this burner: is it one that stands there? Until then nobody knows whose gas, air and valve are counted.
this-heater-burns-gas = This heater burns gas in “Heat and air”; it isn’t in the list of Gas, so no pipe, vent or vessel counts it.
this-water-heater-burns = This water heater burns gas in Water; it isn’t in the list of Gas, so no pipe, vent or vessel counts it.
regulator = Regulator
regulator-must-pass-at = The regulator must pass { FIX($regulator_min_kg_h, digits: 2) } kg/h at { SHORT($nominal_mbar) } mbar.
regulator-passes-needed = The regulator passes { SHORT($capacity_kg_h) } kg/h; { FIX($regulator_min_kg_h, digits: 2) } kg/h are needed.
regulator-years-old = The regulator is { SHORT($age_years) } { $age_years ->
        [one] year
       *[other] years
    } old.
hoses-surface-cracked = The hose’s surface is cracked.
hoses-date-not-entered = The hose’s date is not entered.
hose-years-old-may = The hose is { SHORT($age_years) } { $age_years ->
        [one] year
       *[other] years
    } old; it may be at most { SHORT($life) }.
regulator-hangs-on-wall = The regulator hangs on the wall, so the hose from the cylinder carries the cylinder’s full pressure; none of the hoses entered is made for it.
hose-long-at-most = The hose is { FIX($length_m, digits: 2) } m long; at most { FIX($most_m, digits: 2) } m.
inside-wall-hose-can = Inside the wall the hose can chafe where nobody sees it.
main-solenoid = Main solenoid
without-current-this-solenoid = Without current this solenoid would stay open, and gas would keep flowing.
use-normally-closed-solenoid = Use a normally closed solenoid
solenoid-uses = The solenoid uses { FIX($solenoid_wh_day, digits: 0) } Wh a day, { FIX($solenoid_wh_day_ah, digits: 0) } Ah.
solenoid-isnt-in-daily = The solenoid isn’t in “Daily use” yet. Once it is, its circuit gets a switch on the panel in Wiring.
solenoids-circuit-has-no = The solenoid’s circuit has no switch on the panel in Wiring.
gas-solenoid = Gas solenoid
pressure-drop-from-regulator = The pressure drop from the regulator is { FIX($worst_mbar, digits: 2) } mbar; at most { SHORT($limit_mbar) } mbar.
drop-with-reynolds-number = The drop is { FIX($lost_mbar, digits: 2) } of { SHORT($limit_mbar) } mbar, with a Reynolds number of { GROUPED($reynolds, digits: 0) } in “{ $unsteady_name }”.
pipe-has-clip-every = The pipe has a clip every { SHORT($clip_m) } m; { $material } needs one every { SHORT($clip_m_2) } m.
no-grommets-entered-where = No grommets are entered where the pipe passes panels: a sheet edge cuts into it.
add-clips-and-grommets = Add clips and grommets
pipe-from-cable-at = The pipe is { FIX($to_cable_mm, digits: 0) } mm from a cable; at least { FIX($near_mm, digits: 0) } mm.
pipe-from-exhaust-or = The pipe is { FIX($to_hot_mm, digits: 0) } mm from an exhaust or something hot; it needs at least { FIX($hot_mm, digits: 0) } mm, or a shield.
pipe-has-joint-in = The pipe has a joint in a void or under the floor, where a leak collects and nobody can check it.
joint-which-doesnt-hold = The joint is { $wrong_joints }, which doesn’t hold gas for the life of a vehicle.
then-new-leak-test = { $label }, then a new leak test
gas-work = Gas work
your-local-rule-requires = {" "}Your local rule requires it too.
gas-certificate = Gas certificate
cylinder-or-tank-connected = A cylinder or tank is connected, and no certificate is entered. The paper: { $paper }.
certificate-months-old = The certificate is { FIX($months_ago, digits: 0) } { $months_ago ->
        [one] month
       *[other] months
    } old; { $afterwards }.
leak-test = Leak test
no-test-has-been = No test has been passed yet.
no-test-has-been-entered = No test has been entered.
after-these-were-changed = After “{ $last_name }” these were changed: { $words }{ $changed_count_over ->
    [yes] {" "}and more
   *[no] {""}
 }.
pressure-fell-by-warmth = The pressure fell by { FIX($corrected_drop_mbar, digits: 1) } mbar, warmth and weather taken out; one step of the gauge is { SHORT($limit_mbar) } mbar. At working pressure { SHORT($leak_working_g_h, digits: 2) } g/h of gas would leak.
test-doesnt-count = The test doesn’t count: { $reasonss }.
nobody-with-licence-has = Nobody with a licence has signed this test, so it counts for your own list only.
test-began-at-and = The test began at { SHORT($start_mbar) } mbar, and regulator and appliances are not entered as isolated; at most { SHORT($most_mbar) } mbar.
pressure-with-everything-burning = pressure with everything burning
pressure-with-all-off = pressure with all off
flame-failure = flame failure
reading-limit = The reading is { SHORT($x) } { $unit }; the limit is { FIX($limit, digits: 1) } { $unit }.
too-little-pressure = too little pressure
not-left-to-settle = not left to settle
too-short = too short
temperature-moved-too-much = the temperature moved too much
pressure-rose = the pressure rose
fell-by-more-than = it fell by more than a step of the gauge
regulator-2 = the regulator
solenoid = the solenoid
alcohol-stove = Alcohol stove
that-stoves-canister-filled = That the stove’s canister is filled outside and cold is not confirmed.
fill-outside-and-cold = Fill the canister outside and cold
hob-takes-and-inverter = the hob takes 1,500 W and the inverter gives { GROUPED($inverter_w, digits: 0) } W
there-no-inverter-for = there is no inverter for the hob
draws-from-battery-bank = cooking by induction draws { FIX($watts_a, digits: 0) } A from the battery bank, which gives at most { FIX($most_a, digits: 0) } A
uses-that-can-be = cooking by induction uses { FIX($ah, digits: 0) } Ah a day of the { FIX($usable_ah, digits: 0) } Ah that can be used
induction = Induction
lay-in = Lay “{ $narrow_name }” in { SHORT($bore_mm) } mm

## locker
give-diameter-or-width = give a diameter, or width and height, not both
required-without-diameter = is required without the diameter (diameter_mm)
required-where-vents-go = is required where vents go by the mass of gas
larger-floor-and = the larger of 2 % of the floor and 10,000 mm²
larger-floor-and-low = the larger of 1 % of the floor and 5,000 mm², low and high each
for-each-lb-gas = 645 mm² for each 7 lb of gas, half of it low and half high
one-drain-at-lowest = one drain of 19 mm at the lowest point, overboard above the waterline
required-provided-at-least = required − provided, at least 0
none-asked-for = none is needed

## mixture
give-gas-or-fractions = give a gas or its fractions, not both
fractions-must-add-up = the fractions must add up to 1
give-atmosphere-or-altitude = give the air pressure (atmosphere_mbar) or the altitude (altitude_m), not both
moles-at-own-pressure = { FIX($x_pc, digits: 0) } % of the moles at its own pressure
standard-atmosphere = standard atmosphere
what-left-when-rest = 1 − what is left when the rest gives p_min

## part
not-in-table-ask = not in the table; ask before the trip
gas = gas a day
everything-on = everything on
regulator-at-least = regulator at least
pressure-in-cold = pressure in the cold
comes-out-in-cold = comes out in the cold
comes-out-down-to = comes out down to
gas-that-can-be = gas that can be used
less-reserve = less the reserve
gas-2 = days of gas
vessels-full = vessels full
cost = cost a day
gas-for-trip = gas for the trip
gives-for-long = gives continuously
gives-for-hour = gives for an hour
lost-to-worst-end = lost to the worst end
size-pipes = size of the pipes
lockers-low-vents-at = locker’s low vents, at least
lockers-high-vents-at = locker’s high vents, at least
solenoid-2 = solenoid a day

## pipe
give-heat-input-or = give the heat put in (heat_input_w) or the flow (flow_kg_h)
give-heat-input-or-flow = give the heat put in (heat_input_w) or the flow (flow_kg_h), not both
mixture-method-gas-mixture = mixture; method gas.mixture
regulator-where-tree-begins = “regulator” is where the tree begins; give the segment another name
each-segment-needs-name = each segment needs a name of its own
neither-regulator-nor-segment = “{ $from_ }” is neither the regulator nor a segment
leads-back-to-itself = “{ $s_name }” leads back to itself; every path must begin at the regulator
no-segment-has-appliance = no segment has an appliance
smallest-sizes-with-worst = smallest of the sizes with the worst drop ≤ limit
method-gas-leak-test = method gas.leak-test, { $region }

## store_rules
cylinder-leans-by-liquid = The cylinder leans by { FIX($angle_deg, digits: 0) }°: liquid gas reaches the regulator.
stand-up = Stand the cylinder upright
cylinder-or-tank-stands = The cylinder or tank stands inside the living space: what leaks collects at the floor where people sleep.
move-into-locker = Move the cylinder into the locker
cylinder-has-straps-that = The cylinder has { $straps } of the { $straps_2 } { $straps_2 ->
        [one] strap
       *[other] straps
    } that it needs
together-they-must-hold = ; together they must hold { FIX($need_kn, digits: 1) } kN ({ $schools }).
fixing-holds-full-need = The fixing holds { FIX($restraint_kn, digits: 1) } kN; { FIX($full_mass_kg, digits: 0) } kg full need { FIX($need_kn, digits: 1) } kN ({ $schools }).
tank-filled-to-may = The tank is filled to { FIX($fill_limit_frac_pc, digits: 0) } %; it may be filled to at most 80 %, because the liquid swells in the sun.
stop-filling-at = Stop filling at 80 %
you-fill-vessel-yourself = You fill the vessel yourself, and it has no stop valve at 80 %: full of liquid it can burst in the sun.
cylinder-weighs-full = The cylinder weighs { FIX($full_mass_kg, digits: 0) } kg full.
count-as-full = Count the cylinder as full
gas-locker = Gas locker
no-locker-described-for = No locker is described for the { $counts ->
    [one] cylinder
   *[other] cylinders
 }.
in-should-stand-across = In it should stand { $count } × { FIX($diameter_m, digits: 2) } m across and { FIX($height_m, digits: 2) } m high; the locker has { FIX($length_m, digits: 2) } × { FIX($width_m, digits: 2) } × { FIX($height_m_2, digits: 2) } m.
these-openings-lead-into = These openings lead into the vehicle: { $unsealed }.
that-locker-gas-tight = That the locker is gas-tight to the living space is not confirmed.
lockers-door-opens-into = The locker’s door opens into the living space.
sill-inner-door-high = The sill of the inner door is { FIX($sill_mm, digits: 0) } mm high; it needs at least { FIX($sill_mm_2, digits: 0) } mm.
high-one = , the high one { GROUPED($have_high_mm2, digits: 0) } of { GROUPED($need_high_mm2, digits: 0) } mm²
low-vent-has-one = The low vent has { GROUPED($have_low_mm2, digits: 0) } of { GROUPED($need_low_mm2, digits: 0) } mm²{ $high }. One round drain of { FIX($round_drain_mm, digits: 0) } mm would do low down.
under-vent-lies = Under the vent lies: { $blocked_by }.
cover-can-close-vent = A cover can close the vent. Vents of gas stay open, in winter too.
remove-cover = Remove the cover
vent-from-needs-at = The vent is { FIX($d_m, digits: 2) } m from { $what }; it needs at least { SHORT($least_m) } m
opening-intake-or-socket = an opening, intake or socket
exhaust-or-flue = an exhaust or flue
in-locker-can-spark = In the locker can spark: { $sparks }.
locker-from-something-hot = The locker is { FIX($to_heat_m, digits: 2) } m from something hot; it needs at least { SHORT($heat_m) } m.
that-drain-falls-overboard = That the drain falls overboard and stays above the water when the boat heels is not confirmed.
nearest-hole-at-needs = The nearest hole is { GROUPED($hole_mm2, digits: 0) } mm² at { SHORT($hole_m) } m; it needs { GROUPED($drop_mm2, digits: 0) } mm² within { SHORT($drop_m) } m.
fixed-vents = Fixed vents
fixed-vents-high-up = Fixed vents high up have { GROUPED($have_high_mm2, digits: 0) } of { GROUPED($need_high_mm2, digits: 0) } mm² of free area, low down { GROUPED($have_low_mm2, digits: 0) } of { GROUPED($need_low_mm2, digits: 0) } mm². They are entered in “Heat and air”.
gas-alarm = Gas alarm
no-gas-alarm-has = No gas alarm has a place yet: propane and butane sink to the floor, and people there don’t smell them asleep.
alarm-placed-over-floor = In Fit the alarm hangs { FIX($height_m, digits: 2) } m over the floor; gas gathers below it. It should hang at most 0.30 m over the floor, and under the edge of the lowest bunk.
alarm-over-floor-should = The alarm is { FIX($height_m, digits: 2) } m over the floor; it should be at most 0.30 m, and under the edge of the lowest bunk.
place-alarm-over-floor = Place an alarm 0.15 m over the floor
alcohol-stove-2 = the alcohol stove
carbon-monoxide-alarm = Carbon monoxide alarm
carbon-monoxide-can-come = Carbon monoxide can come from { $flames }; “Heat and air” has no alarm for it.
use-propane = Use propane
comes-out-down-to-coldest = { $name } comes out down to { FIX($min_temp_c, digits: 0) } °C; the coldest use is { FIX($coldest_c, digits: 0) } °C, and it should stay { FIX($cold_margin_k, digits: 0) } K above that.
at-only-full-cylinder = At { FIX($coldest_c, digits: 0) } °C only { FIX($usable_frac_pc, digits: 0) } % of a full cylinder is usable; { FIX($left_kg, digits: 1) } kg stays liquid in it.
with-everything-on = with everything on
for-night-heating = for a night of heating
at-once = at once
after = after { FIX($to_limit_min, digits: 0) } min
after-2 = after { FIX($to_limit_h, digits: 1) } h
appliances-burn-at-and = The appliances burn { FIX($demand_kg_h, digits: 2) } kg/h { $words }. At { FIX($coldest_c, digits: 0) } °C and 30 % full the cylinders give { FIX($continuous_kg_h, digits: 2) } kg/h continuously: the pressure falls { $last }.
carry-one-more-them = Carry one more cylinder
gas-lasts-less-reserve = The gas lasts { FIX($days, digits: 1) } of { SHORT($target_days) } { $target_days ->
        [one] day
       *[other] days
    }: { FIX($after_reserve_kg, digits: 1) } kg less the reserve, { FIX($total_kg_day, digits: 2) } kg a day.
none-known = none known
for-there-you-need = For { $days } { $days ->
        [one] day
       *[other] days
    } there you need { FIX($need_kg, digits: 1) } kg; outlets there: { $met }. { $note }{ $note_2 }{ $value }
vehicle-carries-gas-on = The vehicle carries { FIX($aboard_kg, digits: 1) } kg of gas on a ferry or through a tunnel.
crash-safe-regulator = a crash-safe regulator
hose-break-valves = hose-break valves
gas-while-driving = Gas while driving
gas-stays-open-while = Gas stays open while driving, without { $missing }.
shut-gas-while-driving = Shut the gas while driving
at-fuel-pump = At the fuel pump
at-fuel-pump-may = At the fuel pump { $lit } may be lit: fuel vapour catches fire from a flame.
turn-off-at-every = Turn the appliance off at every fuel stop
gas-3 = Gas

## supply
as-typed = as typed
coldest-use = Coldest use

## use
give-heat-input-or-heat = give the heat put in (heat_input_w) or the heat given (heat_output_w), not both
required-with-heat-output = is required with the heat given (heat_output_w)
required-for = is required for a { $kind }
after-reserve-use = after reserve/use a day
