# What power says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## around
air-round-inverter = Air round the inverter
outside-air-on-hottest = outside air on the hottest day
inverters-loss-at-full = the inverter’s loss at its full rating
low-and-high-vent = low and high vent, one behind the other
rating-left-heat = Rating left in the heat

## bank
does-not-fit-cells = does not fit { $cells } { $cells ->
        [one] cell
       *[other] cells
    } of { SHORT($cell_v) } V ({ $chem_name })
so-large-that-string = is so large that a string would carry no current; give a smaller one
kirchhoff-over-links = Kirchhoff over the links
normal-depth-discharge = normal depth of discharge of { $chem_name }
largest-share-least-share = largest share/least share
one-full = one full day
capacity-at = capacity at { SHORT($bank_temp_c) } °C
energy-over = the day’s energy over 24 h
required-capacity = Required capacity
larger-by-energy-and = larger of by energy and by current
installed-capacity = Installed capacity
required-unit-rounded-up = required/unit, rounded up
must-be-below-soc = ({ SHORT($end) }) must be below the state of charge at the start (soc_start_frac: { SHORT($soc_start_frac) })
load-current = Load current
current-with-standby = Current with standby
normal-depth-discharge-2 = 1 − normal depth of discharge
run-time = Run time
charge-can-drawn = Charge that can be drawn
inverter-current-bank = Inverter current at the bank
usable-energy-end-life = Usable energy at the end of its life
usable-energy-when-new = Usable energy when new
capacity-current = Capacity by current
capacity-energy = Capacity by energy
usable-charge-needed = Usable charge needed
energy-bank-must-hold = Energy the bank must hold
largest-current-bank = Largest current of the bank
usable-energy = Usable energy
energy = Energy
bank-capacity = Bank capacity
bank-voltage-2 = Bank voltage

## battery_rules
units-different-kind-or = Units of different kind or size share the current unequally; the weakest is overcharged and run flat.
older-units-hold-less = The older units hold less and drag the newer ones down.
equalising-boils-on-purpose = {" "}Equalising boils it on purpose and makes many times as much.
battery-bank-stands-and = The battery bank stands { $where }, and no vent leads its hydrogen outside: from 4 % in the air a spark explodes it.{ $more }
vent-to-outside = Vent the bank to the outside
battery-bank-stands-sealed = The battery bank stands { $where }. A sealed lead-acid battery gasses when it is overcharged.
enter-that-has-vent = Enter that it has a vent
inverter-relay-or-switch = An inverter, relay or switch shares its box; each opening contact sparks in the gas.
place-them-apart = Place them apart
engine-space-reaches-to = An engine space reaches 60 to 90 °C; lithium takes no charge above 45 °C, ages fast, and runs away when it gets hotter still.
place-inside-in-warm = Place the bank inside, in the warm
this-chemistry-burns-fiercely = This chemistry burns fiercely when a cell fails, and in a vehicle it stands under or beside the beds.
plan-uses-charge-lead = The plan uses { PER_CENT($usable_frac, digits: 0) } of the charge of a lead-acid bank; beyond 50 % it loses its life quickly.
plan-with = Plan with 50 %
at-banks-heating-get = At { FIX($cold_c, digits: 0) } °C the bank’s { FIX($watts_w, digits: 0) } W of heating get the cells to { FIX($warm_c, digits: 0) } °C; { FIX($warm_enough_c, digits: 0) } °C need { FIX($need_w, digits: 0) } W. Until then the bank’s cut-off refuses all charge.
cells-get-down-to = The cells get down to { FIX($cold_c, digits: 0) } °C, and no charger follows their temperature: charging stops too early, and the plates sulphate.
at-once-can-run = At once { GROUPED($dc_w, digits: 0) } W can run; the station’s outlets give { GROUPED($dc_limit_w, digits: 0) } W.
together-run-and-at = Together { GROUPED($ac_w, digits: 0) } W run and { GROUPED($surge_w, digits: 0) } W at the hardest start; the station gives { GROUPED($inverter_limit_w, digits: 0) } W and { GROUPED($inverter_surge_w, digits: 0) } W for a moment.
in-coldest-dawn-panels = In the coldest dawn the panels make { FIX($voc_cold_v, digits: 0) } V; the station’s input stands at most { FIX($solar_max_voltage_v, digits: 0) } V.
panels-station-takes = Of { GROUPED($watts_w, digits: 0) } W of panels the station takes { GROUPED($solar_power_used_w, digits: 0) } W.
hottest-to-design-for = the hottest day to design for
station-may-stand-in = The station may stand in { FIX($hot_c, digits: 0) } °C or more; by its data sheet it switches itself off above { FIX($most_c, digits: 0) } °C.

## chemistry
lithium-iron-phosphate = lithium iron phosphate
agm-lead = AGM lead
gel-lead = gel lead
flooded-lead = flooded lead
lithium-nickel-manganese-cobalt = lithium nickel manganese cobalt

## driving
required-with-cable-length = is required with the length of the cable (cable_length_m)
relay-needs-bank-and = a relay needs bank and alternator at the same voltage
alternators-label = alternator’s label
smart-alternator = smart alternator
plain-regulator = plain regulator
dc-dc-charger = DC-DC charger
smallest-allowed-rating-that = smallest allowed rating that gives the energy, else the largest allowed
copper-at-there-and = copper at 60 °C, there and back
largest-that-alternator-cable = largest that alternator, cable and bank allow
energy-per-drive = Energy per drive
input-current-charger = Input current of the charger
voltage-charger = Voltage at the charger
input-power-charger = Input power of the charger
what-can-spare-idle = What it can spare at idle
what-alternator-can-spare = What the alternator can spare

## generator
burnt-hour-at-full = Burnt an hour at its full rating
typical = { $unit } of { $fuel } a kWh, typical

## inverter
must-be-between-and = must be between { SHORT($low) } and { SHORT($high) } for a { $system_voltage_v } V system
must-be-at-least = must be at least the continuous power ({ SHORT($power_w) } W)
system-voltage = 11/12 of the system voltage
inverter-fuse = Inverter fuse
next-standard-fuse-design = next standard fuse ≥ design current
inverter-breaker = Inverter breaker
next-standard-breaker-design = next standard breaker ≥ design current
fuse-or-design-current = the fuse, or the design current above the list
give-start-power-or = give the starting power (start_power_w) or the starting power as a multiple (start_multiple), not both
so-hot-that-less = is so hot that less than a fifth of the rating is left
running-hardest-start-on = running + hardest start on top
apparent-power-at-rated = Apparent power at the rated power factor
required-inverter-rating = Required inverter rating
largest-continuous-apparent-and = largest of continuous, apparent and surge
rating = 4 W + 0.6 % of the rating
inverter-rating = Inverter rating
next-standard-size-required = next standard size ≥ required
lowest-that-keeps-current = lowest of 12, 24, 48 V that keeps the current under its limit
rating-start = Rating for the start
rating-running-load = Rating for the running load
ac-power-which-protection = AC power at which the protection carries its rating
design-current = Design current
inverters-dc-current = Inverter’s DC current
dc-power = DC power
real-power = Real power

## load_budget
required-with-mode-scheduled = is required with mode scheduled
required-with-current = is required with the current (current_a)
required-with-volume-per = is required with the volume a day (volume_l_per_day)
required-with-uses-per = is required with the uses a day (uses_per_day)
goes-only-with-energy = goes only with the energy in 24 h (energy_24h_wh) or the charge energy (charge_energy_wh)
does-not-go-with = does not go with { $form }, which holds its own time
times-less-than-labels = times 24 h is less than the label’s energy
goes-only-with-duty = goes only with the part of the time that it runs (duty_frac) or the energy in 24 h (energy_24h_wh)
must-be-above-internal = must be above the temperature inside it (internal_temp_c: { SHORT($internal_temp_c) })
must-not-be-all = must not be all 0
must-be-at-most = must be at most the voltage of the battery bank (bank_voltage_v)
each-type-at-most = each day type at most once
running-power = running power
distribution-loss-converter-or = distribution loss, converter or inverter efficiency
runs-on-hook-up = it runs on the hook-up
bank-voltage = 0.9375 of the bank voltage
inverter-idle = inverter idle
at-peak = { $load_id } at the peak
energy-per-at-bank = Energy per day at the bank
power-at-daily-peak = Power at the daily peak
power-while-hardest-motor = Power while the hardest motor starts
mode = mode: { $mode }
loss-inverter = Loss of the inverter
inverters-own-use = Inverter’s own use
design-energy-per-day = Design energy per day
current = Current
charge = Charge
running-power-bank = Running power at the bank
energy-bank = Energy at the bank
energy-appliance = Energy at the appliance
running-time-per-day = Running time per day
cooling-run-time-another = Cooling run time at another temperature
power-amps = Power from amps

## panels
solar-per-in = Solar per day in { $season }

## part
mean-through = its mean through { SHORT($hours_h) } h
energy-asked-bank = Energy asked of the bank
sun-and-driving = sun{ $drive_daily ->
    [yes] {" "}and driving
   *[no] {" "}alone, standing still
 }, { $season }
larger-one-and-stay = larger of one day and the stay
bank-energy-worn-and = bank energy, worn and cold
bank-current = bank current
inverter-rating-2 = inverter rating
inverter-running = inverter, running
light-mains-loads-together = light mains loads together, and one heavy one
twice-rating-typical = twice its rating, typical
short-time-rating = short-time rating
inverter-starting = inverter, starting
hardest-start-on-top = hardest start on top of the rest
inverter = inverter { $protection }
controllers-top-voltage = controller’s top voltage
solar-voltage-on-frosty = solar voltage on a frosty morning{ $x_label }
controllers-top-current = controller’s top current
solar-charge-current = solar charge current{ $x_label }
roof-for-panels = roof for panels
about-on-square-metre = about 200 W on a square metre
panel-area = panel area
roof-area = roof area
alternators-spare-current = alternator’s spare current
chargers-current = charger’s current
shore-charger-on-bank = shore charger on the bank
chargers-input-at-full = charger’s input at full current
shore-inlet = shore inlet
mass-what-chosen-so = Mass of what is chosen so far
nothing-charges-while-driving = nothing charges while driving yet
driving-per = Driving per day
supply-per-between-hook = Supply per day between hook-ups
from-full-to-empty = Days from full to empty, standing still
needs-has = { $tight_label }: needs { GROUPED($need, digits: 0) } { $unit }, has { GROUPED($have, digits: 0) } { $unit }
nothing-chosen-yet = nothing chosen yet
energy-stay-takes-bank = Energy a stay takes from the bank
days-full-empty = Days from full to empty
balance-per-day = Balance per day

## profile
starter-battery = Starter battery
on-trip-vehicle-stands = On the trip the vehicle stands for { $stands } { $stands ->
        [one] day
       *[other] days
    }. By itself it takes { SHORT($low) } to { SHORT($high_ah) } Ah a day, up to { FIX($high_ah_2, digits: 0) } Ah in that time.
absorption-voltage-and-bank = the absorption voltage is { SHORT($absorption_v) } V, and the bank needs { FIX($low, digits: 1) } to { FIX($high_v, digits: 1) } V
that-profile-bank = {" "}(that is the profile of a { $other_v } V bank)
charger-equalises-which-sealed = the charger equalises, which a sealed or lithium bank does not stand
charger-shifts-voltage-with = the charger shifts its voltage with the temperature, which lithium must not have
set-for-bank = Set the charger for the bank

## relay
what-alternator-relay-and = what alternator, relay and bank let through

## resting
cell-with-cells-rested = is { FIX($cell_v, digits: 2) } V a cell with { $cells } { $cells ->
        [one] cell
       *[other] cells
    }; a rested { $chemistry } cell has { SHORT($volts) } to { SHORT($volts_v) } V. Check the system voltage (system_voltage_v)
on-typical = 0.02 V on 12 V, typical
meter-error-cells-spread = meter error/cells + spread
table-straight-between-points = table, straight between its points

## rules
spring-or-autumn = spring or autumn
bank-has-batteries-in = The bank has { $series_count } { $series_count ->
        [one] battery
       *[other] batteries
    } in series: { FIX($voltage_v, digits: 1) } V.
bank-has-strings-in = The bank has { $parallel_count } { $parallel_count ->
        [one] string
       *[other] strings
    } in parallel.
both-leads-come-off = Both leads come off the same end, so the strings share the current as{" "}
hardest-worked-string-carries = The hardest-worked string carries { FIX($sharing_ratio, digits: 2) } times as much as the one that carries least.
inverter-at-full-draws = At its full rating the inverter draws { FIX($nominal_current_a, digits: 0) } A; the bank gives at most { FIX($max_discharge_a, digits: 0) } A, { $lithium ->
    [yes] then its protection opens and everything goes dark
   *[no] and more pulls its voltage down until the inverter stops
 }.
with-everything-on-drawn = With everything on, { FIX($peak_current_as_a, digits: 0) } A are drawn; the bank gives at most { FIX($max_discharge_a, digits: 0) } A.
bank-makes-on-system = The bank makes { FIX($voltage_v, digits: 1) } V on a { $system_v } V system.
take-leads-off-diagonally = Take the leads off diagonally
controllers-input-takes = the controller’s input takes { FIX($input_a, digits: 0) } A.
at-string-makes-controllers = At { FIX($value_c, digits: 0) } °C the string makes { FIX($voc_cold_v, digits: 1) } V; the controller’s limit is { FIX($max_voltage_v, digits: 0) } V: one cold, bright morning can destroy it.
coldest-dawn-string-above = In the coldest dawn the string reaches { FIX($voc_cold_v, digits: 0) } V. Above 120 V direct current a touch can kill, and an arc does not go out by itself. Such a string is worked on like mains, by the licensed trade where your region says so.
in-coldest-dawn-string = In the coldest dawn the string reaches { FIX($voc_cold_v, digits: 1) } V, which leaves { PER_CENT($voltage_headroom_frac, digits: 0) } to the limit.
in-heat-string-makes = In the heat the string makes { FIX($vmp_hot_v, digits: 1) } V; to charge on the hottest days it must make { FIX($charge_v, digits: 1) } V.
in-heat-strings-open = In the heat the string’s open-circuit voltage is { FIX($voc_hot_v, digits: 1) } V; the controller starts some volts above { FIX($charge_v, digits: 1) } V.
strings-make = The strings make { FIX($isc_a, digits: 1) } A; { $input_a }
with-cloud-edge-sun = With cloud-edge sun the strings make { FIX($isc_design_a, digits: 1) } A; { $input_a }
panels-have-times-power = The panels have { FIX($overpanel_ratio, digits: 2) } times the power of their controller; in the best hours it leaves { PER_CENT($clip_frac, digits: 0) } of it unused.
panels-that-differ-hold = Panels that differ hold each other back and lose { PER_CENT($mismatch_frac, digits: 0) } of the power.
pwm-gives-that-mppt = PWM gives { FIX($pwm_power_w, digits: 0) } W of the { FIX($mppt_power_hot_w, digits: 0) } W that MPPT would.
for-strings-no-rating = For { $string_count } { $string_count ->
        [one] string
       *[other] strings
    } no rating lies between what the sun drives through one and what its panels allow.
all-strings-can-feed = All { $string_count } { $string_count ->
        [one] string
       *[other] strings
    } can feed { FIX($backfeed_as_a, digits: 1) } A back into a faulty one; fuse each with { $fuse_a } A.
fit-fuse-in-each = Fit a fuse in each string
second-alternator-rated-and = The second alternator is rated { FIX($rating_a, digits: 0) } A and gives about { FIX($amps_a, digits: 0) } A hot; its belt must carry { FIX($raw_kw, digits: 1) } kW.
bank-would-draw-hot = The bank would draw { FIX($relay_current_a, digits: 0) } A; the hot alternator can spare { FIX($available_running_a, digits: 0) } A.
bank-would-draw-alternator = The bank would draw { FIX($relay_current_a, digits: 0) } A; the alternator can spare { FIX($available_running_a, digits: 0) } A.
smart-alternator-drops-to = A smart alternator drops to 12.2 to 12.8 V after the start, and then almost nothing flows.
that-smart-assumed-as = {" "}That it is smart is assumed, as usual of a { $preset_name }: confirm it in Vehicle.
at-idle-alternator-gives = At idle the alternator gives too little, and { FIX($idle_deficit_a, digits: 0) } A come out of the starter battery.
cable-to-charger-loses = The cable to the charger loses { FIX($cable_drop_v, digits: 2) } V.
driving-charge-above-banks = Driving charge above the bank’s limit
cable-too-thin-for = Cable too thin for the charger
use-smaller-charger-or = Use a smaller charger, or a battery that takes more.
fit-thicker-cable-or = Fit a thicker cable, or a smaller charger.
charger-gives-bank-takes = The charger gives { FIX($charger_current_a, digits: 0) } A; the bank takes at most { FIX($max_charge_a, digits: 0) } A.
with-this-charger-bank = With this charger the bank needs { FIX($time_h, digits: 0) } h on the hook-up to fill.
loads-take-all-that = The loads take all that the charger gives, and nothing is left to charge the bank.
hook-up-gives-less = The hook-up gives { FIX($supply_limit_w, digits: 0) } W, less than charger and mains appliances can take together.
driving-charger-gives-bank = The driving charger gives { FIX($amps_a, digits: 0) } A; the bank takes at most { FIX($bank_limit_a, digits: 0) } A.
at-cable-would-leave = At { FIX($amps_a, digits: 0) } A the cable would leave the charger less than the { FIX($scale_v, digits: 0) } V that it needs.
charging-with-takes-more = Charging with { FIX($amps_a, digits: 0) } A takes more from the alternator than the { FIX($available_running_a, digits: 0) } A that it can spare.
by-label-gives-but = By its label “{ $a_name }” gives { SHORT($panel_power_w) } W, but { SHORT($vmp_v) } V × { SHORT($imp_a) } A are { FIX($vmp_w, digits: 0) } W.
give-own = Give “{ $a_name }” its own { $part_name }
inverter-draws-at-which = The inverter draws { FIX($dc_current_a, digits: 0) } A at { $system_v } V, which takes very thick cable.
feeds-inverter-that-draws = The { SHORT($have_a) } A { $word } feeds an inverter that draws { FIX($dc_current_a, digits: 0) } A (design { FIX($design_current_a, digits: 0) } A); it trips or blows above { FIX($supported_peak_w, digits: 0) } W of mains power.
no-cabinet-entered-so = no cabinet is entered, so as outside
on-hottest-air-around = On the hottest day the air around the inverter is { FIX($air_c, digits: 0) } °C ({ $where }); about { FIX($left, digits: 0) } of its { FIX($rating_w, digits: 0) } W are left.
loads-need-more-than = The loads need { FIX($required_power_w, digits: 0) } W, more than any inverter in the catalogue gives at this voltage.
inverter-gives-running-starting = The inverter gives { FIX($rating_w, digits: 0) } W; running, starting and the margin need { FIX($required_power_w, digits: 0) } W ({ $governing }).
for-seconds-inverter-gives = When the loads start they take { FIX($start_power_w, digits: 0) } W for a moment; the inverter gives { FIX($surge_power_w, digits: 0) } W for a short time and switches off above that.
panels-charge-with-bank = In full sun the panels charge with { FIX($solar_a, digits: 1) } A; the bank takes at most { FIX($max_charge_a, digits: 1) } A{ $assumed ->
    [yes] {" "}(typical of its kind: its data sheet says better)
   *[no] {""}
 }.
panels-and-charge-together = In full sun the panels charge with { FIX($solar_a, digits: 1) } A and “{ $name }” adds { FIX($beside_a, digits: 1) } A; the bank takes at most { FIX($max_charge_a, digits: 1) } A in all.
inverters-load-left-on = The inverter’s load is { FIX($coincident_power_w, digits: 0) } W of { FIX($rating_w, digits: 0) } W; left on, it uses { FIX($idle_wh, digits: 0) } Wh a day by itself.
these-need-pure-sine = These need a pure sine wave: { $who }.
bank-gets-to-lead = The bank gets to { FIX($t_c, digits: 0) } °C { $where }: a lead-acid bank takes no charge below −15 °C.
cells-get-to-banks = The cells get to { FIX($t_c, digits: 0) } °C { $where }; the bank’s own cut-off then refuses all charge, sun and alternator included.
banks-heater-no-cut = {" "}The bank’s heater is no cut-off: charge reaches cells that it has not warmed yet.
cells-get-to-in = The cells get to { FIX($t_c, digits: 0) } °C { $where } in the planned months, and nothing stops the charge: lithium plates as metal, capacity is lost for good, later a short circuit inside.{ $warm }
fit-with-cold-charge = Fit { $same_name }, with a cold-charge cut-off
place-bank-inside-in = Place the bank inside, in the warm
come-in-with-driving = { GROUPED($supply_wh, digits: 0) } Wh come in a day{ $driven ->
    [yes] {" "}with the driving
   *[no] {""}
 }
come-in-standing-still = { GROUPED($solar_wh, digits: 0) } Wh come in a day, standing still
standing-still-takes = {" "}Standing still it takes { FIX($standing_days, digits: 1) } days.
with-driving-each-would = {" "}With { SHORT($drive_h) } h of driving each day it would take { FIX($days, digits: 1) } days.
with-driving-each-bank = {" "}With { SHORT($drive_h) } h of driving each day the bank would not empty.
on-you-use-and = On a { $season_word } day you use { GROUPED($demand_wh, digits: 0) } Wh and { $comes }: from full to empty in { FIX($lasts, digits: 1) } days, with { SHORT($nights) } { $nights ->
    [one] night
   *[other] nights
 } between hook-ups.{ $other }
at-end-life-and = At the end of its life and in the cold the bank stores { GROUPED($usable_wh, digits: 0) } Wh; a { $season_word } day uses { GROUPED($demand_wh, digits: 0) } Wh.
bank = Bank
in-planned-months-no = In the planned months no source fills the lead-acid bank: left half charged, its plates sulphate.
in-this-appliance-would = In { $season_word } this appliance would have to run more than 24 h a day.
inverter-on-and-mains = The inverter is on { SHORT($on_h) } h a day, and a mains appliance runs longer.
switch-on-only-with = Switch the inverter on only with a load
inverter-uses-with-nothing = The inverter uses { FIX($i_wh, digits: 0) } Wh a day, { PER_CENT($i, digits: 0) } of the day, with nothing plugged in.
solar = Solar
panels-have-no-charge = The panels have no charge controller, so they can’t charge the bank.
dc-arc-does-not = A DC arc does not go out by itself; an AC switch is no substitute.
add-double-pole-disconnect = Add a double-pole disconnect
glued-panels-run-about = Glued panels run about 15 K hotter than ones with air under them, and give less.

## shore
must-be-above-soc = must be above the state of charge at the start (soc_start_frac: { SHORT($soc_start_frac) })
smaller-inlet-and-supply = smaller of inlet and supply
charge-current = Charge current
smaller-what-charger-or = smaller of what the charger or inlet leaves and what the bank takes
exponential-to-tail-current = exponential to the tail current, then steady
charging-time = Charging time
time-full-current = Time at full current
charge-current-inlet-leaves = Charge current that the inlet leaves
what-supply-gives = What the supply gives

## solar
must-be-below-voc = must be below the open-circuit voltage (voc_v)
must-be-below-isc = must be below the short-circuit current (isc_a)
open-circuit-voltage-in = Open-circuit voltage in the coldest dawn
system-voltage-2 = 12.8/12 of the system voltage
array-power-less-mismatch = array power less mismatch
largest-charge-current = Largest charge current
smaller-arrays-and-controllers = smaller of the array’s and the controller’s
required-with-pwm-controller = is required with a pwm controller
pwm-none = PWM: none
typical-type = typical of its type
with-mppt-bat-vmp = 1 with MPPT; U_bat/Vmp with PWM
solar-energy-per-day = Solar energy per day
what-left-after-losses = What is left after the losses
temperature-factor = Temperature factor
charge-current-before-controllers = Charge current before the controller’s limit
short-circuit-current-design = Short-circuit current for design
string-voltage-cell-temperature = String voltage at a cell temperature
cell-temperature = Cell temperature

## source_rules
has-no-alternator-own = A { $preset_name } has no alternator of its own, and none is entered.
vehicle-has-battery-bank = The vehicle has { $vehicle_system_v } V, the battery bank { SHORT($bank_v) } V: closed, the relay drives hundreds of amps into one of them.
use-dc-dc-charger = Use a DC-DC charger
charger-must-convert = The vehicle has { $vehicle_system_v } V, the battery bank { SHORT($bank_v) } V: a charger that is made for one voltage on both sides is destroyed, or charges nothing.
up-to-may-flow = Up to { FIX($path_a, digits: 0) } A may flow through a relay that is made for { FIX($rating_a, digits: 0) } A.
charger-starts-by-voltage = The charger starts by the voltage that it sees. A smart alternator lets that fall while driving: the charger stops, or empties the starter battery.
switch-by-ignition = Switch the charger by the ignition
burns-out = it burns out
does-not-run = it does not run
appliance-made-for-and = The appliance is made for { $label_v } V and is connected straight to { $system_v } V: { $harm }.
mains-appliance-made-for = The appliance is made for { $label_v } V and gets { FIX($mains_v, digits: 0) } V aboard: { $harm }.
feed-through-converter = Feed the appliance through a converter
mains = Mains
appliances = Appliances
made-for-twelve-burn = What is made for 12 V only burns out on { $system_v } V. No voltage is entered for { $names }{ $names_more ->
    [yes] {" "}and more
   *[no] {""}
 }.
all-made-for = All are made for { $system_v } V
all-through-converter = All are for 12 V: feed them through a converter
nothing-makes-mains-for = Nothing makes mains for { $ac }{ $ac_count_over ->
    [yes] {" "}and more
   *[no] {""}
 }.
neither-sun-nor-engine = Neither sun nor engine nor hook-up charges the bank: once empty it stays empty.
battery = Battery
there-no-battery-for = There is no battery for { $used_count } appliance{ $used_count ->
    [one] {" "}that uses
   *[other] s that use
 } electricity.
these-have-motors-which = These have motors, which run hot on a modified sine wave: { $motors }.
charger-takes-generator-gives = The charger takes { GROUPED($need_w, digits: 0) } W; the generator gives { GROUPED($rating_w, digits: 0) } W.
panels-take-about-about = The panels take about { FIX($need_m2, digits: 1) } m²; about { FIX($have_m2, digits: 1) } m² of the roof are free.
one-controller-has-can = One controller has { $watts }; it can work only one of them at its best.

## station
must-not-be-below = must not be below the peak mains load (ac_peak_w)
same-part-energy = the same part of the day’s energy
too-cold-to-charge = 0: too cold to charge

## supply
hot-under-bonnet-typical = hot, under the bonnet; typical
banks-charge-limit = bank’s charge limit
current-through-relay = Current through the relay
smaller-what-voltages-push = smaller of what the voltages push and what the alternator makes
capacity-at-coldest-cells = capacity at the coldest cells
bank-called-worn-at = a bank is called worn at 80 %
from-data-sheet = from its data sheet
at-full-load-typical = at full load, typical
energy-per-day-driving = Energy per day of driving
power-belt = Power at its belt
what-second-alternator-charges = What a second alternator charges with
demand-bank = Demand on the bank

## uses
measured-over = measured over a day
from-label = from its label
label-with-duty-cycle = label with a duty cycle
catalogue-typical = catalogue, typical
from-energy = from its energy:{" "}
where-half-or-more = 20 % where half or more of the values are catalogue values, else 10 %
