# What trips says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## battery
loads-come-back-at = loads come back at { SHORT($reconnect) }, which must be above the floor of { SHORT($floor) }
must-not-be-below = must not be below { SHORT($reconnect) }, at which loads come back
net-power-as-far = net power, as far as current, temperature and charge allow
least-series = lowest of the series
last-series = last of the series
end-first-step-that = end of the first step that did not serve all

## buys
one-more-panel-with = one more panel of { SHORT($panel_power_w) } W, with its controller
one-more-battery = one more battery of { SHORT($unit_charge_ah) } Ah
units-in-series = , { $series_count } { $series_count ->
        [one] unit
       *[other] units
    } in series
more-while-driving = { FIX($more_driving_w, digits: 0) } W more while driving
same-panels-on-ground = the same panels on the ground at 60°, facing the noon sun

## calibrate
has-values-load-power = has { $cabin_temp_c_count } values; the power of the load (load_power_w) has { $load_power_w_count }
has-values-load-power-has = has { $simulated_power_w_count } values; the power of the load (load_power_w) has { $load_power_w_count }
must-be-above-internal = must be above the temperature inside it (internal_temp_c)
has-rows-with-power = has { $rows_count } { $rows_count ->
        [one] row
       *[other] rows
    } with power and temperature; at least 3 are needed
same-in-every-row = is the same in every row; a fridge shows only where it was warmer and cooler
rows-with-both = rows with both
what-runs-whatever-temperature = what runs whatever the temperature
what-follows-temperature-at = what follows the temperature, at the reference
mean-power-running-power = mean power/running power
mean-measured-fit = mean of measured − fit
mean-simulated-measured = mean of simulated − measured

## figures
mean-weathers-sum-over = mean over the simulated trips of the sum over the trip
largest-quarter-hour-trip = the largest quarter of an hour of the trip
moment-by-which-happened = the moment by which it happened in half of the simulated trips, counted from the start
sun-used = Sun used a day
driving-charge = Driving charge a day
hook-up = Hook-up a day
served-to-loads = Served to the loads a day
missing = Missing a day
sun-that-finds-full = Sun that finds a full bank, a day
sun-lost-to-snow = Sun lost to snow, a day
inverter-idling = Inverter idling, a day
short = Short days
error-short = Error of the short days
least-charge-in = Lowest charge, 1 in 10
least-charge-each-weather = the lowest charge of each simulated trip; 1 in 10 stays under this
least-charge-half = Lowest charge, half
least-charge-each-weather-half = the lowest charge of each simulated trip; half of them stay under this
first-shortage-earliest = First shortage, earliest
earliest-moment-all-weathers = the earliest moment in any simulated trip at which power was short, counted from the start
first-shortage-half = First shortage, half
first-shortage-in = First shortage, 9 in 10
moment-by-which-happened-in = the moment by which it happened in 9 of 10 simulated trips, counted from the start
first-shortage-in-average = First shortage in average weather
same-trip-once-more = the same trip once more, in the average weather of each place and month
on-full-bank-without = Days on a full bank without any source
medical-power-first-fails = Medical power first fails
earliest-moment-all-weathers-counted = the earliest moment in any simulated trip, counted from the start
trips-on-which-medical = Trips on which medical power fails
under-snow = Days under snow
hours-charge-refused-by = Hours of charge refused by cold
charge-refused-by-cold = Charge refused by cold
coldest-cells = Coldest cells
lowest-temperature-cells-in = the lowest temperature of the cells in all simulated trips
hours-charge-refused-by-heat = Hours of charge refused by heat
hours-at-banks-limit = Hours at the bank’s limit
full-cycles-year = Full cycles a year
sun-above-controller = Sun above the controller
mains-loads-at-their = Mains loads at their worst
more-than-hook-up = More than the hook-up gives
hours-above-hook-up = Hours above the hook-up
heat-missing = Heat missing
fuel-burnt = Fuel burnt
gas-burnt-by-heater = Gas burnt by the heater
fuel-out = Fuel out
hours-over = Hours over 30 °C
hours-over-2 = Hours over 80 %
hours-water-on-coldest = Hours of water on the coldest face
water-condensed = Water condensed
coldest-cabin-in = Coldest cabin, 1 in 10
lowest-temperature-each-weather = the lowest temperature of each simulated trip; 1 in 10 stays under this
hottest-cabin-in = Hottest cabin, 1 in 10
highest-temperature-each-weather = the highest temperature of each simulated trip; 1 in 10 goes over this
longest-under-setting-by = Longest under the setting by 3 K
longest-time-in-row = the longest time in a row of each simulated trip; half of them stay under this
hours-frost-in-bay = Hours of frost in a bay
weathers-with-frost-in = Simulated trips with frost in a bay
gas-that-comes-out = Gas that comes out in the cold
vessels-filling-less-what = the vessels’ filling, less what stays in them at the cold of the trip
gas-burnt = Gas burnt
trips-on-which-gas = Trips on which the gas runs out
gas-out = Gas out
water-used = Water used
water-missing = Water missing
generator-hours = Generator, hours
generator-energy = Generator, energy
generators-fuel-out = Generator’s fuel out
trips-on-which-generators = Trips on which the generator’s fuel runs out
generator-fuel = Generator, fuel
legs-trip = the legs of the trip
trip = Days of the trip
years-files = years of the files
drawn-with-seed = drawn with the seed { $seed }
part-all-sources = { $f_label }, part of all sources
sun-that-there-was = Sun that there was, a day
used-found-full-bank = used + found a full bank
sun-lost-to-snow-over = Sun lost to snow over the trip
missing-on-bad = Missing on a bad day
capacity = { $name }, capacity
what-tank-gives-or = what the tank gives or takes
first-short = { $name }, first short
nights-below = { $frozen_name }: nights below 0 °C
on-which-below-in = days on which it is below 0 °C in 1 of 10 simulated trips or more

## generator
on-in-half-simulated = on { $when } in half of the simulated trips
in-simulated-trips = in { PER_CENT($short_frac, digits: 0) } of the simulated trips
generators-can = The generator’s can of { SHORT($store) } { $unit }
that-shares = The { $fuel } that it shares
empty-runs-burnt = { $what } is empty { $day }: it runs { FIX($run_h, digits: 0) } of { FIX($planned_h, digits: 0) } h; { FIX($burnt, digits: 1) } { $unit } are burnt.

## itinerary
has-no-leg-yet = has no leg yet; add the first place of the trip
missing-say-when-trip = is missing; say when the trip begins
not-place-in-climate = “{ $place }” is not a place in the climate table, nor one of your own

## measured
on-average-were-measured = On average { FIX($mean_measured_w, digits: 0) } W were measured, and the run is { $simulated_bias_frac } off; fitted: { FIX($base_w, digits: 0) } W base and { FIX($fridge_mean_w, digits: 0) } W fridge at 25 °C.
dirt-and-shade-leave = { $a_name }: dirt and shade leave { PER_CENT($new, digits: 0) } of the light instead of { PER_CENT($now, digits: 0) }, by { $days } { $days ->
        [one] day
       *[other] days
    } that never filled the bank
runs-time-at-instead = { $a_name }: runs { PER_CENT($duty, digits: 0) } of the time at 25 °C instead of { PER_CENT($duty_frac, digits: 0) }
load-does-not-follow = the load does not follow the cabin’s warmth, so the fridges stay as they are
that-no-appliance-list = { FIX($extra_w, digits: 0) } W that no appliance of the list explains, all day
base-load-that-was = Base load that was measured
list-uses-more-than = the list uses { FIX($extra_w, digits: 0) } W more than was measured: shorten what is on longest (Bothy does not guess which)
log = Log

## of_design
approximate-climate-place-import = Approximate climate of the place; import a weather file for precision.
panels-with-dirt-and = Panels with 3 % dirt and 2 % mismatch, shaded as far as Power says so.
fridges-work-as-in = Fridges work as in their season’s usual air; the cabin is one store of heat and one of damp, and the first heater warms it.
windows-opened-above-inside = Windows are opened above 25 °C inside where it is cooler outside; the damp that linings take up and give off is not counted.
all-loads-off-bank = all loads off: the bank is empty
loads-back-on = loads back on
loads-shed = loads shed
shed-loads-back-on = shed loads back on
weather-that-forecast-beyond = The weather of { $forecast_days } { $forecast_days ->
        [one] day
       *[other] days
    } is that of a forecast ({ $source }); beyond it, it is drawn.
weather-years-files-to = The weather of { $draw_count } { $draw_count ->
        [one] year
       *[other] years
    } of the files, { $years } to { $years_2 }, each as it was.
weather-drawn-for-no = The weather is drawn, for no file with whole years is there for { $without_years }.

## plan
missing-choose-bank-in = is missing; choose a bank in Power, or take Bothy’s

## results
sum-over-trip = sum over the trip
draws-stay-above-or = { SHORT($part) } of the simulated trips stay above or at their lowest under it
plan = days of the plan
mean-draws-at-end = mean of the simulated trips at the end
draws-with-any = simulated trips with any
coldest-all-draws = coldest of all simulated trips
largest-error-four-identities = largest error of the four identities
earliest-all-draws-at = earliest of all simulated trips, at the end of its step

## rules
or-two-year = a day or two a year
handful-year = a handful of days a year
plan-needed-hook-up = plan B needed: hook-up, generator or driving
undersized-for-this-use = undersized for this use
not-seen-in-simulated = not seen in { $draws } simulated trips, so below { PER_CENT($draws_2, digits: 1) } of them
in-nights-first-on = “{ $f_name }” in { $nights_count } of { $day_count } { $day_count ->
        [one] night
       *[other] nights
    }, first on { $nights }
bay-with-water-in = a bay with water in { PER_CENT($bay_frac, digits: 0) } of the simulated trips, for { FIX($bay_h, digits: 0) } h on average
these-fall-below = These fall below 0 °C: { $where }.
in-half-simulated-trips = In half of the simulated trips the heater’s fuel runs out by day { FIX($fuel_first_d, digits: 0) }; the heater burns { $used } a day.
inside-over-for-in = The inside is over 30 °C for { FIX($hot_h, digits: 1) } h a day; in 1 of 10 simulated trips it gets to { FIX($hottest_p90_c, digits: 0) } °C.
humidity-over-for-and = The humidity is over 80 % for { FIX($damp_h, digits: 0) } h a day, and the coldest surface is wet for { FIX($wet_h, digits: 0) } h: { FIX($condensed_kg, digits: 1) } kg of water condense over the trip.
cylinders-or-tanks-that = The cylinders or tanks ({ FIX($capacity_kg, digits: 1) } kg that come out in the cold) are empty { $day }; { FIX($used_kg, digits: 1) } kg are burnt over the trip.
in-half-simulated-trips-heaters = In half of the simulated trips the heater’s fuel runs out by day { FIX($fuel_first_d, digits: 0) }; the heater burns { FIX($diesel_l, digits: 1) } L a day.
container = { $toilet } container
tank = { $name } tank
missing-over-trip = ; { FIX($missing_l, digits: 0) } L are missing over the trip
with-sun-high-at = With the sun 20° high at the side, the bent panel loses { PER_CENT($mismatch_loss_frac, digits: 0) } in series; its edge leans { FIX($edge_tilt_deg, digits: 0) }°. On average over sun and headings the run takes off { PER_CENT($curve_factor, digits: 0) }.
string-has-panels-in = The string has { $series_count } { $series_count ->
        [one] panel
       *[other] panels
    } in series and is shaded in { $hours_count } { $hours_count ->
    [one] hour
   *[other] hours
 } between 9 and 15. The darkest panel governs the string, which the run does not take off.
used-like-this-bank = Used like this the bank makes { FIX($cycles_year, digits: 0) } full cycles a year. It lasts about { $life } { $life ->
        [one] cycle
       *[other] cycles
    } of 80 %, so { FIX($life_2, digits: 0) } { $life_2 ->
        [one] year
       *[other] years
    } instead of { $planned_years }.
inverter-alone-uses = The inverter alone uses { FIX($inverter_idle_wh_day, digits: 0) } of the { FIX($load_wh_day, digits: 0) } Wh a day.
on-this-trip-controller = On this trip the controller leaves { PER_CENT($clipped_frac, digits: 0) } of what the panels could give unused.
for-energy-figures-typical = For { PER_CENT($assumed, digits: 0) } of the energy the figures are typical ones of the catalogue.
in-simulated-trips-power = In { PER_CENT($medical_draws_frac, digits: 0) } of the simulated trips power fails for { $who }, first on { $when }.
even-in-average-weather = Even in average weather, power runs out on { $when }; you are { FIX($missing_wh_day, digits: 0) } Wh a day short.
bank-gives-and-uses = The bank gives { FIX($usable_wh, digits: 0) } Wh, and a day uses { FIX($need_wh, digits: 0) } Wh: it lasts { FIX($usable, digits: 1) } days without sun.
sun-brings-what-comes = The sun brings { PER_CENT($sun_wh_day, digits: 0) } of what comes in; on { PER_CENT($fed, digits: 0) } of the days there is neither a drive nor a hook-up.
with-power-short-on = With { $what } power is short on { PER_CENT($short_days_frac, digits: 1) } instead of { PER_CENT($short_days_frac_2, digits: 1) } of the days, { FIX($change_wh_day, digits: 0) } Wh a day more.
in-half-simulated-trips-lead = In half of the simulated trips the lead-acid bank stays below { PER_CENT($full_lead, digits: 0) } for { $longest } { $longest ->
        [one] day
       *[other] days
    } in a row: its plates sulphate.
electricity-switched-off-or = its electricity is switched off or has run out
heater-too-small-for = the heater is too small for that cold
heaters-fuel-runs-out = the heater’s fuel runs out
for-in-row-inside = For { FIX($cold_h, digits: 1) } h in a row the inside stays more than 3 K below its setting;{" "}
heat-that-needed-missing = { $cold }{ $cold_2 ->
    [yes] of
   *[no] Of
 } the heat that is needed { PER_CENT($missing, digits: 0) } is missing. In 1 of 10 simulated trips the inside falls to { FIX($coldest_p10_c, digits: 0) } °C: { $why }.
for-average-trip-loads = For { FIX($limited_h, digits: 1) } h of an average trip the loads need more than the bank gives, although it holds charge
limit = ; its limit is { FIX($most_a, digits: 0) } A.
runs-at-on-average = “{ $a_name }” runs at { FIX($t_c, digits: 0) } °C on average in { $months } at { $c_name } and loses { PER_CENT($power_coeff_per_k, digits: 0) } of its rating
fresh-water = fresh water
room-for-grey-water = room for grey water
room-in-toilet = room in the toilet
nothing-else-runs-out = {" "}Nothing else runs out.
next-in-line = {" "}Next in line: { $first }, { $when }.
banks-own-heater-has = {" "}The bank’s own heater has to warm them first.
banks-cut-off-refuses = {" "}The bank’s cut-off refuses it.
banks-heater-does-not = {" "}The bank’s heater does not warm them in time, and nothing stops the charge.
nothing-stops-charge = {" "}Nothing stops the charge.
snow-lies-on-panels = Snow lies on the panels on { FIX($snow_days, digits: 0) } of { $day_count } { $day_count ->
        [one] day
       *[other] days
    } of an average trip and keeps { FIX($snow_wh_day, digits: 0) } Wh of sun off.
for-average-trip-could = For { FIX($refused_cold_h, digits: 1) } h of an average trip { FIX($refused_cold_wh, digits: 0) } Wh could be charged while the cells are below 0 °C, { FIX($coldest_cell_c, digits: 0) } °C at the coldest.{ $cold_words }
for-average-trip-there = For { FIX($refused_hot_h, digits: 1) } h of an average trip there is sun or driving, but the cells are hotter than they may be charged.
essential-loads-lose-power = Essential loads lose power in half of the simulated trips by { $when } (day { FIX($first_short_p50_d, digits: 0) }), in the worst on { $when_2 }
worst-month-with = {" "}{ $months } is the worst month, with { PER_CENT($short_frac, digits: 0) }.
power-short-on-your = Power is short on { PER_CENT($short_days_frac, digits: 1) }{ $error } of the days; your limit is { PER_CENT($target, digits: 0) }: { $in_words }. On average { FIX($missing_wh_day, digits: 0) } Wh a day are missing, on a bad day { FIX($bad_wh, digits: 0) } Wh.{ $where }{ $help }
in-trips-bank-falls = In 1 of 10 trips the bank falls to { PER_CENT($least_soc_p10, digits: 0) }; { PER_CENT($floor_frac, digits: 0) } is its floor.
that-panels-could-give = Of the { FIX($made_wh, digits: 0) } Wh a day that the panels could give, { FIX($curtailed_wh_day, digits: 0) } Wh are lost because the bank is already full.
driving-gives-charge-and = Driving gives { PER_CENT($driving_wh_day, digits: 0) } of the charge, and the vehicle stands { $standing } { $standing ->
        [one] day
       *[other] days
    } in a row.
load-reaches-in-one = The load reaches { FIX($most_w, digits: 0) } W in one quarter of an hour; { $inverter_name } gives { SHORT($rating_w) } W. The largest are { $a_names }.
in-one-quarter-hour = In one quarter of an hour the load is { FIX($mains_short_w, digits: 0) } W too much; for { FIX($mains_short_h, digits: 1) } h of the trip it is more than the hook-up gives.
generator-runs-in-and = The generator runs { FIX($run_h, digits: 0) } h in { $day_count } { $day_count ->
    [one] day
   *[other] days
 } and makes { FIX($made_kwh, digits: 1) } kWh from about { FIX($burnt, digits: 1) } { $unit } of { $fuel }.
trip-plans-hours-with = The trip plans hours with a generator, and the design has none: none of those hours counts.
away = { $p_name }: { $near_name } is { FIX($km, digits: 0) } km away
and-lower = {" "}and { FIX($higher_m, digits: 0) } m { $higher_over ->
    [yes] lower
   *[no] higher
 }.
weather-made-from-monthly = The weather is made from monthly averages: sunlight is right within 10 to 15 %, temperatures within 1.5 K.
run-leaves-unaccounted-for = The run leaves { SHORT($balance_error_wh, digits: 3) } Wh unaccounted for.
with-simulated-trips-share = With { $draw_count } simulated trips the share of short days is good to ± { PER_CENT($error_frac, digits: 1) }; about { $draw_count_2 } would bring it to ± { PER_CENT($aim, digits: 1) }.
on = The { $what } ({ FIX($capacity_l, digits: 0) } L) is { $state } on { $when }{ $more }.
generator = Generator

## trip
ends-after-midnight-put = ends after midnight; put the rest on the next day
must-be-above-shed = must be above the state of charge at which loads are switched off (shed_soc_frac), or the load would chatter
must-not-be-below-el = must not be below the electricity at minimum output (el_min_w)
make-most = make { $whole } { $whole ->
        [one] day
       *[other] days
    }; at most { $most_days } are possible
ac-for-load-but = is ac for a load, but there is no inverter
