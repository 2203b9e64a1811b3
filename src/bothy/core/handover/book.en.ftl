# Every word of the vehicle’s book, in English. A page of the book is a group; what stands in braces is put in.

## isolation
isolation-switch-it-off = Switch it off
isolation-places-in-layout-and-what = places in Layout, and what you wrote beside
isolation-in-a-fire-or-a = In a fire or a smell of gas: everybody out first. Switch off only what can be reached on the way.
isolation-what = what
isolation-how = how
isolation-where = where
isolation-not-entered = not entered
isolation-where-the-is-switched-off = Where the { $name } is switched off
isolation-where-the-extinguisher-hangs = Where the extinguisher hangs
isolation-battery = Battery
isolation-battery-how = Turn the battery switch off: all low voltage is dead but what is joined before it.
isolation-main-fuse = Main fuse
isolation-main-fuse-how = Right at the battery; it is drawn only with the switch off.
isolation-inverter = Inverter
isolation-inverter-how = Off at its own switch; its sockets are mains.
isolation-shore = Mains from outside
isolation-shore-how = Pull the plug outside at the post first, then at the vehicle.
isolation-gas = Gas
isolation-gas-how = Shut the valve on the cylinder, clockwise.
isolation-water = Water
isolation-water-how = Pump off at its switch; open the drain and all taps.
isolation-extinguisher = Extinguisher
isolation-fire-blanket = Fire blanket
isolation-first-aid = First aid

## emergency
emergency-in-an-emergency = In an emergency
emergency-what-the-vehicle-has-the = what the vehicle has; the number of its region
emergency-emergency-call-say-where-you = Emergency call: { $number }. Say where you are before anything else.
emergency-fire = Fire
emergency-everybody-out-animals-too = Everybody out, animals too.
emergency-call = Call.
emergency-gas-valve-shut-only-when = Gas valve shut only when it is safe to reach.
emergency-extinguisher-only-on-a-small = Extinguisher only on a small fire, with your back to the way out.
emergency-carbon-monoxide-alarm = Carbon monoxide alarm
emergency-everybody-out-into-the-air = Everybody out into the air at once; headache and sleepiness are signs.
emergency-heater-hob-and-engine-off = Heater, hob and engine off if that can be done on the way.
emergency-call-2 = Call { $number }.
emergency-nobody-back-in-until-it = Nobody back in until it is cleared and the cause found.
emergency-water-where-it-should-not = Water where it should not be
emergency-pump-off = Pump off.
emergency-mains-plug-out-if-water = Mains plug out if water is near it.
emergency-drain-open-find-the-joint = Drain open; find the joint before the pump goes on again.
emergency-battery-flat = Battery flat
emergency-lights-and-fridge-off = Lights and fridge off.
emergency-hook-up-or-engine-on = Hook-up or engine on; wait until the monitor shows a fifth.
emergency-never-join-batteries-of-unlike = Never join batteries of unlike kinds with leads.
emergency-frost = Frost
emergency-drain-the-water-before-the = Drain the water before the night, all taps open.
emergency-a-lithium-battery-isn-t = A lithium battery isn’t charged below 0 °C.
emergency-smell-of-gas = Smell of gas
emergency-no-flame-no-switch-no = No flame, no switch, no telephone inside.
emergency-shut-the-valve-on-the = Shut the valve on the cylinder.
emergency-doors-and-windows-open-everybody = Doors and windows open, everybody out.
emergency-back-only-when-a-gas = Back only when a gas fitter has found the leak.

## circuits
circuits-circuits = Circuits
circuits-wiring-with-what-was-measured = Wiring, with what was measured
circuits-code = code
circuits-circuit = circuit
circuits-cable = cable
circuits-length = length
circuits-fuse = fuse
circuits-drop = drop
circuits-expected = expected
circuits-measured = measured
circuits-verdict = verdict
circuits-no-circuit-is-planned-yet = No circuit is planned yet
circuits-circuits-are-not-measured-yet = { $unread } { $unread ->
        [one] circuit is
       *[other] circuits are
    } not measured yet
circuits-from-to-amps = { $low } to { $high } A

## fuses
fuses-fuses-and-spares = Fuses and spares
fuses-wiring = Wiring
fuses-draw-a-fuse-only-with = Draw a fuse only with its circuit off. The same kind and size goes in again; a larger one starts a fire. A fuse that blows twice has a reason.
fuses-kind = kind
fuses-size = size
fuses-fitted = fitted
fuses-carry-spare = carry spare
fuses-what-each-protects = What each protects
fuses-code = code
fuses-circuit = circuit
fuses-fuse = fuse
fuses-no-fuse-is-chosen-yet = No fuse is chosen yet
fuses-the-board-is = The board is { $at }.
fuses-where-the-fuse-board-is = Where the fuse board is

## water
water-water-fill-drain-frost = Water: fill, drain, frost
water-water = Water
water-tank = tank
water-holds = holds
water-full = full
water-where = where
water-fill = Fill
water-hose-of-drinking-water-quality = Hose of drinking-water quality, run it clear first.
water-fill-until-the-vent-spits = Fill until the vent spits.
water-pump-on-let-each-tap = Pump on; let each tap run until no air comes.
water-drain-for-frost = Drain for frost
water-heating-of-the-water-off = Heating of the water off, let it cool.
water-pump-off = Pump off.
water-open-the-drain-and-every = Open the drain and every tap, hot and cold, and the shower, held low.
water-run-the-pump-dry-for = Run the pump dry for a few seconds.
water-traps-antifreeze-that-may-go = Traps: antifreeze that may go into drinking-water systems, never the engine’s.
water-clean-it-twice-a-year = Clean it, twice a year and after lying idle
water-chlorine-or-what-its-maker = Chlorine or what its maker names, through every tap.
water-let-it-stand-as-long = Let it stand as long as it says, then rinse until nothing smells.
water-never-mix-cleaners = Never mix cleaners.
water-dose-time-and-rinse-stand = Dose, time and rinse stand in Water, Care; keep the water off the plants afterwards.
water-where-the-water-is-drained = Where the water is drained
water-what-freezes-first = What freezes first

## driving
driving-steps-in-awning-in-doors = Steps in, awning in, doors and lids latched.
driving-windows-and-roof-fans-shut = Windows and roof fans shut.
driving-everything-that-can-fly-is = Everything that can fly is stowed; heavy things low.
driving-tyres-pressure-and-age = Tyres: pressure and age.
driving-people-belted-on-seats-that = People belted on seats that are made for it.
driving-before-you-drive = Before you drive
driving-what-the-vehicle-has = what the vehicle has
driving-mains-lead-off-stowed-flap = Mains lead off, stowed, flap shut.
driving-gas-shut-at-the-cylinder = Gas shut at the cylinder, unless its regulator is made for driving.
driving-hob-cold-lid-down = Hob cold, lid down.
driving-drain-tap-shut-waste-emptied = Drain tap shut, waste emptied where it may be.
driving-water-heater-off = Water heater off.
driving-heater-off-at-a-filling = Heater off at a filling station.
driving-a-look-at-the-roof = A look at the roof: panels, glands, seals.

## weights
weights-weights-and-tyres = Weights and tyres
weights-layout-and-weight-the-weighbridge = Layout and weight, the weighbridge
weights-loading = loading
weights-whole = whole
weights-front-axle = front axle
weights-rear-axle = rear axle
weights-left = left
weights-limit = limit
weights-at-most = at most
weights-figures-are-estimates-until-it = Figures are estimates until it is weighed, loaded for travel, each axle. Overload is an offence and can void the insurance.
weights-weighed = Weighed
weights-on = on
weights-front = front
weights-rear = rear
weights-it-was-never-weighed = It was never weighed
weights-roof = roof

## tests
tests-test-record = Test record
tests-what-was-measured = what was measured
tests-circuit = circuit
tests-at-the-load = at the load
tests-amps = amps
tests-on = on
tests-by = by
tests-water-pressure-test = water, pressure test
tests-from = from
tests-to = to
tests-gas-leak-test = gas, leak test
tests-signed = signed
tests-yes = yes
tests-no = no
tests-of-circuits-are-not-read = { $read } of { $testable } { $testable ->
        [one] circuit is
       *[other] circuits are
    } not read
tests-of-steps-are-not-proved = { $passed } of { $total } { $total ->
        [one] step is
       *[other] steps are
    } not proved
tests-mended-on = Mended on { $day }: { $name }{ $by }.{ $note }
tests-built-otherwise = { $day }: { $name }, { $value } built as { $built }, designed { $designed }.{ $why }
tests-small-things-are-open = Small things to be mended before it is handed over: { $open }
tests-the-water-was-never-pressure = The water was never pressure tested
tests-no-signed-leak-test-of = No signed leak test of the gas
tests-step = step
tests-read = read
tests-verdict = verdict
tests-is-pass = passed
tests-is-marginal = not sure
tests-is-fail = failed
tests-is-again = to be proved again
tests-is-locked = doesn’t count yet
tests-some-day = a day that isn’t named
tests-by-whom = {", by "}{ $who }

## photos
photos-photographs = Photographs
photos-what-was-photographed = what was photographed
photos-older-ones-are-in-the = { $most_photos } older ones are in the project.
photos-none-was-taken-what-is = None was taken. What is behind a wall is found again by a photograph with a tape in it.
photos-elsewhere = Elsewhere
photos-wall-left = Left wall
photos-wall-right = Right wall
photos-ceiling = Ceiling
photos-floor = Floor
photos-underfloor = Under the floor
photos-roof = Roof

## papers
papers-certificates-and-declarations = Certificates and declarations
papers-what-was-signed = what was signed
papers-paper = paper
papers-signed-by = signed by
papers-licence = licence
papers-number = number
papers-on = on
papers-not-signed = not signed
papers-this-vehicle-has-no-system = This vehicle has no system that needs one.
papers-the-signature-of = The signature of { $signed_by }: { $name }, { $on }.
papers-to-be-signed-by = { $name }: to be signed by { $by }
papers-mains-uk = Installation certificate, BS 7671 with part 721
papers-mains-eu = Test report, HD 60364-7-721, national form
papers-mains-us = Inspection to NEC article 551, where it is required
papers-mains-au = Certificate of compliance, AS/NZS 3001.2
papers-gas-uk = Gas safety record, EN 1949
papers-gas-eu = Inspection certificate, EN 1949, national form
papers-gas-us = Leakage test record, NFPA 1192
papers-gas-au = Compliance certificate and plate, AS/NZS 5601.2
papers-dc-uk = Builder’s declaration for low voltage, EN 1648
papers-dc-eu = Builder’s declaration for low voltage, EN 1648
papers-dc-us = Builder’s declaration for low voltage, NFPA 1192
papers-dc-au = Builder’s declaration for low voltage, AS/NZS 3001.2
papers-vehicle-uk = Change of body type
papers-vehicle-eu = Technical inspection and entry in the papers
papers-vehicle-us = Title or registration as a motor home, by state
papers-vehicle-au = Approval of the modification
papers-seats-uk = Approval of seats and belts
papers-seats-eu = Approval of seats and belts
papers-seats-us = Statement to FMVSS
papers-seats-au = Engineer’s certificate
papers-by-mains = a licensed electrician
papers-by-gas = a licensed gas fitter
papers-by-dc = the builder
papers-by-vehicle = the authority
papers-by-seats = an engineer

## care
care-maintenance = Maintenance
care-what-the-vehicle-has-and = what the vehicle has, and the log
care-what = what
care-every = every
care-last = last
care-due = due
care-how = how
care-never = never
care-what-was-done = What was done
care-on = on
care-by = by
care-odometer = odometer
care-note = note
care-when-it-has-run-so-far = when it has run so far
care-now = now
care-or-over-its-km = { $when }, over its km
care-or-in = { $when }, or in { $left }
care-first = Bolted joints, bonds and fixings after the first 500 km
care-first-how = With a torque wrench, battery switch off; look at each bond.
care-joints = Bolted joints, panel and rack fixings
care-joints-how = With a torque wrench, battery switch off.
care-battery = Battery: voltage, terminals, straps
care-battery-how = Clean and tight; flooded ones: level.
care-capacity = Battery: what it still holds, full to empty once
care-capacity-how = On a quiet day; write the Ah down.
care-generator = Generator: oil, filter, spark
care-generator-how = Cold, outside; its first oil after 20 h.
care-alarms = Carbon monoxide, smoke and gas alarm
care-alarms-how = By their button; batteries once a year.
care-extinguisher = Extinguisher
care-extinguisher-how = Gauge in the green; service by its label.
care-rcd = Residual-current device
care-rcd-how = Its test button, on hook-up.
care-mains = Mains inspection by the licensed trade
care-mains-how = Sooner where it is used often, or by your law.
care-gas = Gas inspection by the licensed trade
care-gas-how = Every two years in some countries; the law of yours counts.
care-hose = Gas hose and regulator: dates, cracks
care-hose-how = Changed by the date that is printed on them.
care-panels = Panels: clean, bond, glands
care-panels-how = Not on the roof when it is wet; look under the edges.
care-filter = Water filter
care-filter-how = Sooner where it slows down.
care-sanitise = Clean the water system
care-sanitise-how = And after it has lain idle.
care-strainer = Pump strainer
care-strainer-how = Rinse it.
care-valve = Safety valve of the water heater
care-valve-how = Lift it once; it must shut again.
care-anode = Anode and scale of the water heater
care-anode-how = Drain it cold; an anode that is half gone is changed.
care-seals = Roof and window seals
care-seals-how = Look from inside, too; damp after rain has a reason.
care-damp = Damp behind linings
care-damp-how = A meter at the corners and round each opening.
care-heater = Fuel heater: a run of a quarter of an hour
care-heater-how = Also in summer.
care-burner = Fuel heater: service of its burner and filter
care-burner-how = By its maker's hours where they differ.
care-fridge = Fridge: vents and back
care-fridge-how = Dust off, air free.
care-tyres = Tyres: pressure cold, tread, cracks, age
care-tyres-how = Loaded for travel; six years is old.
care-bearings = Wheel bearings, brakes and coupling
care-bearings-how = By somebody who does it every week.
care-winter = Drain for frost
care-winter-how = Before the first frost.
care-month = month
care-months = { $months } { $months ->
        [one] month
       *[other] months
    }
care-cycles = cycles
care-or = {" or "}

## warranties
warranties-months = { $warranty_months } { $warranty_months ->
        [one] month
       *[other] months
    }
warranties-warranties-and-serial-numbers = Warranties and serial numbers
warranties-what-was-received = what was received
warranties-what = what
warranties-serial = serial
warranties-from = from
warranties-since = since
warranties-warranty = warranty
warranties-nothing-is-written-down-as = Nothing is written down as received

## open
open-open-points-and-what-isn = Open points and what isn’t known
open-findings-answers-assumptions = findings, answers, assumptions
open-not-put-right = Not put right
open-what = what
open-where = where
open-kept-as-it-is-with = Kept as it is, with the owner’s reason
open-reason = reason
open-left-to-do = Left to do
open-assumed-never-entered = Assumed, never entered
open-dangers-are-open = { $dangers } { $dangers ->
        [one] danger is
       *[other] dangers are
    } open

## method
method-how-it-was-reckoned = How it is calculated
method-bothy-s-method = Bothy’s method
method-every-figure-follows-from-what = Every figure follows from what was entered and the sections named here; each stands in Bothy under How it’s calculated, with its formula, where it holds and a worked example.

## demonstration
demonstration-shown-and-understood = Shown and understood
demonstration-to-be-signed-by-hand = to be signed by hand
demonstration-tick-what-was-shown-then = Tick what was shown, then sign. The builder shows each; the owner does it once.
demonstration-switching-everything-off = ☐ switching everything off
demonstration-hook-up-on-and-off = ☐ hook-up, on and off
demonstration-gas-on-off-changing-a = ☐ gas on, off, changing a cylinder
demonstration-filling-draining-frost = ☐ filling, draining, frost
demonstration-heater-on-and-off = ☐ heater on and off
demonstration-fuses-and-spares = ☐ fuses and spares
demonstration-alarms-and-extinguisher = ☐ alarms and extinguisher
demonstration-weights-and-loading = ☐ weights and loading
demonstration-this-book = ☐ this book
demonstration-owner-builder-date = Owner: ______________________   Builder: ______________________   Date: ______________

## switches
switches-switches-and-valves = Switches and valves
switches-wiring-s-panel-water-gas = Wiring's panel, Water, Gas
switches-on-the-panel-from-the = On the panel, from the top left
switches-label = label
switches-kind = kind
switches-switches = switches
switches-water = Water
switches-safety-valve-of = safety valve of { $name }
switches-outside = outside
switches-at-the-heater = at the heater
switches-gas = Gas
switches-valve-of = valve of { $name }
switches-on-the-cylinder = on the cylinder
switches-valves = Valves
switches-system = system
switches-valve = valve
switches-where = where
switches-drain-of = drain of { $name }
switches-within-reach = within reach
switches-not-within-reach = not within reach

## routes
routes-behind-the-walls = Behind the walls
routes-layout-s-ways-photographs = Layout's ways, photographs
routes-before-a-screw-goes-in = Before a screw goes in: look here, and keep 50 mm off every run. Mains and gas off first.
routes-along-from-the-rear-most = Along from the rear-most inside face, and up from the finished floor; of floor and ceiling, to the left of the centre line. Between the points it runs straight.
routes-what = what
routes-kind = kind
routes-along-up-point-by-point = along / up, point by point
routes-photographs = photographs
routes-run-dc = low voltage
routes-run-ac = mains
routes-run-circuit = cable
routes-run-water = water
routes-run-waste = waste
routes-run-gas = gas

## manuals
manuals-manuals = Manuals
manuals-what-you-wrote-beside-each = what you wrote beside each device
manuals-device = device
manuals-its-manual = its manual
manuals-where-manuals-are = Where { $lost } manuals are
manuals-not-entered = not entered
manuals-battery = Battery
manuals-inverter = Inverter
manuals-mains-charger = Mains charger
manuals-charger-while-driving = Charger while driving
manuals-solar-controller = Solar controller
manuals-water-pump = Water pump

## seasons
seasons-fridge-empty-clean-door-ajar = Fridge empty, clean, door ajar.
seasons-vents-free-bedding-out-cupboards = Vents free, bedding out, cupboards open: it must be able to dry.
seasons-tyres-at-their-pressure-moved = Tyres at their pressure, moved once a month; brake off, wheels chocked.
seasons-look-for-water-marks-at = Look for water marks at every opening, inside and out.
seasons-alarms-press-each-note-their = Alarms: press each, note their dates.
seasons-tyres-brakes-lights-steps = Tyres, brakes, lights, steps.
seasons-a-night-near-home-before = A night near home before the long trip.
seasons-winter-and-spring = Winter and spring
seasons-what-the-vehicle-has = what the vehicle has
seasons-before-it-stands-for-the = Before it stands for the winter
seasons-drain-tanks-pump-heater-and = Drain tanks, pump, heater and every tap; leave the taps and the drain open.
seasons-filter-out-traps-and-toilet = Filter out; traps and toilet emptied, a cup of antifreeze in each trap.
seasons-in-spring = In spring
seasons-gas-shut-at-the-cylinder = Gas shut at the cylinder; cylinders out or upright in their locker, never in a cellar.
seasons-lithium-to-about-half-lead = Lithium to about half, lead to full; battery switch off. A monitor or alarm that stays on empties it in weeks.
seasons-run-the-fuel-heater-for = Run the fuel heater for a quarter of an hour each month.
seasons-charge-to-full-volts-at = Charge to full, volts at rest the next day; terminals tight and clean.
seasons-panels-washed-bonds-glands-and = Panels washed; bonds, glands and cable looked at.
seasons-test-button-of-the-residual = Test button of the residual-current device, on hook-up.
seasons-sanitise-the-water-then-fill = Sanitise the water, then fill and look at every joint under pressure; new filter.
seasons-hose-and-regulator-by-their = Hose and regulator by their dates; leak test by a licensed gas fitter when it is due.

## place
place-at = { $side }, { $metres } m from the rear, { $high }
place-left = on the left
place-right = on the right
place-middle = in the middle
place-over = { $metres } m over the floor
place-under = under the floor

## file
file-missing = missing: { $what }
file-photograph = photograph
file-lost = This photograph is lost from the store.
file-title = { $name }, the book
file-contents = contents
file-contents-title = Contents
file-find = Find in the book
file-find-like = fuse, drain, gas…
file-of = {" of "}
file-cards = { $name }, cards
file-every = { $how } Every { $every }.
