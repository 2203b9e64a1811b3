# What proposals says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## circuits
mains-design-aid-only = Mains: a design aid only; a licensed electrician designs, connects and certifies it.
living-and-cab = living and cab
bed-and-washroom = bed and washroom
rear-and-outside = rear and outside
lights = Lights, { $zone_names }
sockets = Sockets, { $zone_names }
alarms-and-monitor = Alarms and monitor
electronics = Electronics, { $zone_names }
mains-sockets = Mains sockets
house-board = House board
mains-board = Mains board
inverter-feed = Inverter feed
board-feed = Board feed
solar-charge = Solar charge
solar-charge-of = Solar charge, { $array_name }
from-second-alternator = From the second alternator
driving-charge = Driving charge
shore-charge = Shore charge
from-starter-battery = From the starter battery
to-be-split-or = { FIX($current_a, digits: 1) } A: { $problem }; to be split or shortened.
over-at-most-may = { FIX($current_a, digits: 1) } A over { SHORT($length_m) } m; at most { FIX($limit_v, digits: 2) } V may be lost ({ $replace }).
starting-draws-so-fuse = Starting draws { FIX($inrush_a, digits: 0) } A, so the fuse is at least { FIX($window_low_a, digits: 1) } A.
chosen-together-with-branches = Chosen together with its branches: { FIX($copper_kg, digits: 2) } kg of copper; with the feeder at 1 % and each branch by itself it would be { FIX($copper_kg_2, digits: 2) } kg.
fuse-on-each-battery = A fuse on each battery
high-interrupt-fuses = { $parallel_count } high-interrupt fuses
batteries-in-parallel-feed = Batteries in parallel feed each other’s faults, past the main fuse.
mains-side = Mains side
pole-breakers-change-over = { $residual_device }, { $side }-pole breakers, change-over, bond by relay
what-region-usually-has = What the region usually has, for the electrician to check.
hard-wired-with-automatic = Hard-wired, with an automatic change-over in the inverter.
one-way-until-measured = { SHORT($length_m) } m one way, until it is measured.
board-with-ways = Board with { $way_count } { $way_count ->
    [one] way
   *[other] ways
 }
circuits-come-to-it = With { $on_it_count } { $on_it_count ->
    [one] circuit
   *[other] circuits
 } the board needs more than { $way_count } { $way_count ->
    [one] way
   *[other] ways
 }, so that some stay free for later.
current-now-over = The circuit’s current is now { FIX($current_a, digits: 1) } A over { SHORT($length_m) } m.
cables-that-no-circuits = Cables that are no circuits
from-panels-inlet-and = From the panels, the inlet and the inverter, and bonds and earths: each in the size that its current, or a fault, needs.
usual-lengths-until-they = Usual lengths until they are measured.
what-flows-through-them = What flows through them, or the conductor that a bond must match, has changed.
switch-panel = Switch panel
switch-dimmer-or-speed = A switch, dimmer or speed control for each circuit up to 8 A that is switched, and a voltmeter; larger ones need a relay at the load.
plate-wide-nothing-known = A plate 300 mm wide; nothing is known of the depth behind it.
lighting-zones = Lighting zones
zones = { $zones_count } { $zones_count ->
        [one] zone
       *[other] zones
    }: { $words }
lights-one-part-vehicle = Lights of one part of the vehicle go on together; the main zone is switched from the panel and from the bed.
nothing-known-yet-where = Nothing is known yet of where the switches are; say it, and the way of the cable follows.
main = Main
fans = Fans

## supply
running-together-hardest-start = Running together: { GROUPED($coincident_power_w, digits: 0) } W; hardest start: { GROUPED($start_power_w, digits: 0) } W.
with-margin-and-round = With 25 % margin and { FIX($air_c, digits: 0) } °C round it that needs { GROUPED($required_power_w, digits: 0) } W ({ $governing }).
with-margin-that-needs = With 25 % margin that needs { GROUPED($required_power_w, digits: 0) } W ({ $governing }).
mains-appliances-and-more = Mains appliances of 800 W or more run one at a time, on top of the light ones.
switched-on-only-while = Switched on only while something uses it.
only-what-marked-as = Only what is marked as used away from the hook-up runs on it.
roof-limits = the roof limits it
that-covers-middle-season = that covers the middle season by sun alone
because = { GROUPED($power_w, digits: 0) } W, because { $limited }.
in-series-parallel-on = { $s } in series, { $n } parallel: { FIX($voc_cold_v, digits: 0) } V on the coldest morning, the controller stands { FIX($most_v, digits: 0) } V.
fuse-in-each-string = {" "}A fuse in each string: three or more can feed a faulty one.
inside-area-free-on = { PER_CENT($roof_share, digits: 0) } of the inside area is free on the roof, flat, unshaded.
them-go-beside-what = { $room } of them go beside what lies on the roof.
sun-approximate-monthly-normals = Sun of { $climate_name }: approximate monthly averages.
hook-up-every-night = A hook-up every night charges the bank; panels are a choice, for days without one.
solar = Solar
panels-with-controller-their = the panels with a controller of their own
more-than-give = {" "}more than { $gives } give{ $value_is ->
    [yes] {""}
   *[no] s
 }
in-takes = In { $season } a day takes { GROUPED($need_wh, digits: 0) } Wh{ $more }.
panels-and-controller-chosen = Panels and controller are chosen already.
no-controller-catalogue-takes = No controller of the catalogue takes these panels as they are joined; see what the findings say of their strings.
solar-controller = Solar controller
for-on-coldest-morning = For { $what }: { FIX($voc_cold_v, digits: 0) } V on the coldest morning, it stands { FIX($data_v, digits: 0) } V.
hook-up-every-night-carries = A hook-up every night: it carries { GROUPED($need_wh, digits: 0) } Wh through a drive and a power cut of { SHORT($cut_h) } h; that needs { GROUPED($required_ah, digits: 0) } Ah.
take-solar-first = No panel is entered yet: take Solar first, and the bank comes out smaller.
at-peak-flow = At the peak { GROUPED($peak_a, digits: 0) } A flow.
no-bank-strings-from = No bank of { $parallel_max } { $parallel_max ->
        [one] string
       *[other] strings
    } from the catalogue reaches that; this is the largest.
cells-get-to-so = Cells get to { FIX($cold_c, digits: 0) } °C { $bank_places }, so the units are heated ones.
lithium-iron-phosphate-used = Lithium iron phosphate, used to 80 %, worn to 80 % at the end of its life.
coldest-cells = Coldest cells { FIX($cold_c, digits: 0) } °C.
driving-counted-as-daily = Driving is counted as daily.
standing-still-between-hook = Standing still between hook-ups: no driving is counted until it is entered.
in-go-out-and = In { $hardest } { GROUPED($flows_wh, digits: 0) } Wh go out and { GROUPED($flows_wh_2, digits: 0) } Wh come in a day; for { SHORT($carried, digits: 3) } nights that needs { GROUPED($required_charge_ah, digits: 0) } Ah ({ $governing }).
hook-up-every-night-2 = hook up every { $value } { $carried ->
    [one] night
   *[other] nights
 }
use-less = use { GROUPED($less_wh, digits: 0) } Wh less a day
first-all = {" "}(first of all { $hungriest_name })
drive = drive { FIX($less_h, digits: 1) } h a day
more-panels = { GROUPED($less_w, digits: 0) } W more of panels
generator = a generator
one-night-on-hook = One night on a hook-up fills { FIX($fill_kwh, digits: 1) } kWh, not the { FIX($net_kwh, digits: 1) } kWh of { SHORT($nights) } { $nights ->
        [one] night
       *[other] nights
    }; a larger bank would never be full. Cheapest ways out: { $ways }.
alternator-can-spare-bank = The alternator can spare { FIX($available_running_a, digits: 0) } A; the bank takes { FIX($bank_limit_a, digits: 0) } A from it; limited by the { $limited_by }.
panels-already-charge-with = In full sun the panels already charge with { FIX($sun_a, digits: 0) } A of the { FIX($limit_a, digits: 0) } A that the bank takes in all.
driving-give-without-sun = { SHORT($drive_h) } h of driving give { GROUPED($energy_per_drive_wh, digits: 0) } Wh; a { $season } day without sun lacks { GROUPED($gap_wh, digits: 0) } Wh.
alternator-smart-at-most = { FIX($alternator_a, digits: 0) } A alternator, { $smart ->
    [yes] smart
   *[no] plain
 }; at most half of it for the bank.
from-to-full-in = From 20 % to full in { FIX($time_h, digits: 1) } h, one night on a hook-up; the bank takes { FIX($limit_a, digits: 0) } A.
inlet-charger-and-mains = An inlet of { $legs_is ->
    [yes] 120/240 V
   *[no] 120 V
 }, { SHORT($inlet_a) } A: charger and mains appliances together take { FIX($amps_ac_a, digits: 0) } A{ $legs_is ->
    [yes] {" "}over both legs
   *[no] {""}
 }.
inlet = { $region_name }: { FIX($value_a, digits: 0) } A inlet.
shore-charger = Shore charger
bank = Bank
inverter = Inverter

## warmth
yours-and-stays-as = This is yours, and stays as it is.
what-was-proposed = This is what Bothy suggested.
what-was-typed-right = What was typed is right.
nothing-that-was-chosen = Nothing that it was chosen for has changed since.
carbon-monoxide-alarm = Carbon monoxide alarm
smoke-alarm = Smoke alarm
night-screens = Night screens
quilted-screens-for-glass = quilted screens for { FIX($area_m2, digits: 1) } m² of glass
at-bare-glass-loses = At { SHORT($cold_c) } °C bare glass loses most for its size, and the air condenses on it first.
put-up-by-night = Put up at night, taken down by day; the driver’s view stays free on the road.
insulation = Insulation
every-surface-has-build = every surface has its build-up
insulation-over = { $thick } of insulation over { FIX($area_m2, digits: 0) } m²
thicker-takes-more-room = Not thicker than { FIX($most_mm, digits: 0) } mm: past that, glass, ribs and draughts lose most, and the room only gets smaller.
thinner-to-stand-upright = Floor and roof are thinner, so that the tallest person of { FIX($tallest_m, digits: 2) } m stands upright.
at-knee-curve-more = More hardly helps: 10 mm on top would save less than 5 %, for the ribs carry the rest.
closed-cell-foam-or = Closed-cell foam or boards, glued on without a gap; ribs every 500 mm.
foil-behind-lining = A vapour foil behind the lining, all joints taped ({ $names }): without it water would gather on the cold skin.
heater = Heater
hold-at-outside-with = { FIX($needed_w, digits: 0) } W of heat hold { SHORT($indoor_c) } °C at { SHORT($cold_c) } °C outside, with { PER_CENT($margin_frac, digits: 0) } margin.
no-heater-catalogue-large = no heater of the catalogue is large enough
insulate-first = Insulate first.
gives-here-larger-one = The heater gives { FIX($gives_w, digits: 0) } W of heat here; a larger one would go on and off on mild days and soot.
no-single-one-catalogue = No single one of the catalogue gives that; two give { FIX($gives_w, digits: 0) } W of heat, and one is enough on mild days.
room-sealed-burner-intake = { $one ->
    [yes] A room-sealed burner
   *[no] Room-sealed burners
 }, intake and exhaust outside; fitted by a qualified person where your region says so.
vents = Vents
them = { $vents_count } of them
roof-vent-fixed = Roof vent, fixed
floor-vent-fixed = Floor vent, fixed
roof-fan = Roof fan 360 mm
window-or-flap-opened = Window or flap opened under the fan
at-night-keep-carbon = At night { FIX($need_m3_h, digits: 0) } m³/h keep carbon dioxide under 1500 ppm, the air at 60 % where it can, and the walls dry.
at-night-air-for-breath = At night { FIX($need_m3_h, digits: 0) } m³/h keep carbon dioxide under 1500 ppm.
more-than-vents-give = The air outside is too mild or too damp for vents alone to keep the room dry: on such nights leave a window ajar, or run the roof fan at its lowest speed.
go-through-fixed-vents = Of it { FIX($lack_m3_h, digits: 0) } m³/h go through the fixed vents, by the warmth alone.
gas-asks-for-high = The gas appliances need { GROUPED($high_area_mm2, digits: 0) } mm² high and { GROUPED($low_area_mm2, digits: 0) } mm² low, which must stay open.
high-and-low-free = { GROUPED($high_mm2, digits: 0) } mm² high and { GROUPED($low_mm2, digits: 0) } mm² low, free and fixed; a roof fan for summer, and a window to open under it
free-area-without-mesh = Free area: without mesh and blades. A design value, no certificate.
dampers = Dampers
as-they = as they are
coldest-zone-lacks-and = The coldest zone lacks { FIX($now_w, digits: 0) } W of heat, and no damper betters that.
coldest-zone-lacks-so = The coldest zone lacks { FIX($now_w, digits: 0) } W of heat; so it lacks { FIX($worst_w, digits: 0) } W of heat.
at-design-cold-with = At the design cold, with the heater on the outlets it has.
air-conditioner = Air conditioner
none-needed-any-more = none is needed any more
as-now-gets-inside = As it is now it gets { FIX($hottest_c, digits: 0) } °C inside without one.
without-gets-to-inside = Without it it gets to { FIX($hottest_c, digits: 0) } °C inside at { SHORT($hot_c) } °C outside; { FIX($need_w, digits: 0) } W of heat with the margin.
shade-and-light-roof = Shade and a light roof first: they cost nothing a day.
none-catalogue-large-enough = none of the catalogue is large enough, or the inverter can’t start it
inverter-as = The inverter as it is.
refrigerant-only-by-certified = Refrigerant only by certified persons; a roof unit takes two people.
walls = Walls
roof = Roof
floor = Floor

## wet
diaphragm-pump = Diaphragm pump 10 L/min
diaphragm-pump-2 = Diaphragm pump 17 L/min
fresh-water = { FIX($fresh_l, digits: 0) } L of fresh water
grey = , { FIX($grey_l, digits: 0) } L of grey
for-over-tank-gives = For { FIX($fresh_tank_l_day, digits: 0) } L a day over { SHORT($days) } { $days ->
        [one] day
       *[other] days
    }; a tank gives 95 % of what it holds.
fresh-ones-fixing-holds = The fresh one’s fixing holds { FIX($made_kn, digits: 1) } kN forward, { $schools }; baffles every 0.8 m.
grey-tank-heater = Grey tank heater
heater-is-on-in = Its thermostat holds 4 °C: in the coldest season it is on for about { FIX($hours_h, digits: 1) } h a day, counted in “Daily use”.
foam-and-keep-grey = Foam of { SHORT($made_mm) } mm and { SHORT($made_w) } W of heat keep the grey one from freezing at { FIX($cold_c, digits: 0) } °C.
tanks = Tanks
plain-boxes-grey-one = Plain boxes, the grey one under the floor. Measure the room, then give their real shapes; build the fixing for what it must hold.
kitchen-tap = Kitchen tap
pump-and-pipes = Pump and pipes
pipes-inside-to-taps = { $name }, pipes of { SHORT($bore_mm) } mm inside to { $ends_count } { $ends_count ->
        [one] tap
       *[other] taps
    }
smallest-with-which-each = The smallest with which each tap gets what it needs alone, and 75 % of it with both open; no water runs faster than 2 m/s.
usual-lengths-and-fittings = Usual lengths and fittings: measure the way of each run.
regulator = Regulator { SHORT($nominal_mbar) } mbar, { SHORT($size_kg_h) } kg/h
regulator-2 = Regulator
everything-burning-takes-fifth = Everything burning takes { FIX($peak_kg_h, digits: 2) } kg/h; the regulator should pass 20 % more.
on-wall-above-valve = On the wall above the valve; new. Joined by the fitter.
pipes = Pipes
runs-each-appliance-own = { $made_count } { $made_count ->
        [one] run
       *[other] runs
    }, each appliance its own
with-way-known-pressure = Once its way is known, so is the pressure at each appliance.
usual-lengths-measure-way = Usual lengths: measure the way of each run. Joined by the fitter.
grille = Grille, { $position }
vents-locker = Vents of the locker
grille-2 = grille { $s }
free-at-lowest-point = { GROUPED($need_low_mm2, digits: 0) } mm² free at the lowest point
and-high = {" "}and { GROUPED($need_high_mm2, digits: 0) } mm² high
asked-for-mesh-leaves = {" "}are needed; mesh leaves 60 % of an opening free.
gas-tight-to-inside = Gas-tight to the inside, opening to the outside, nothing under the drain, 0.5 m from openings and 1 m from exhausts.
gas-alarm-over-floor = gas alarm 0.15 m over the floor
solenoid-closed-without-current = solenoid, closed without current
leaked-gas-lies-low = Leaked gas lies low, and a switch by the door shuts it off.
solenoid-holds-with-and = The solenoid holds with 1 W and is open two hours a day.
locker = Locker
shower = Shower
grey-2 = Grey
fresh = Fresh
