# What the pages of shell say. A quantity’s name ends in its unit.

## main
there-no-such-page = There is no such page.
something-bothy-broke-nothing = Something in Bothy broke: { $message }. Nothing saved is lost.
page-not-found = Page not found
load-again = Load again
back-projects = Back to the projects
opening-bothy = Opening Bothy…

## Banner
another-tab-changed-meanwhile = Another tab changed { $what } meanwhile. Theirs: { $theirs }. Yours: { $mine }.
use-mine = Use mine
use-theirs = Use theirs
not-taken = Not taken:
design-was = The design is as it was.
ok = OK
revision-cant-computed = Revision { $revision } can’t be computed:
revision-shown-instead-no = { $reason }. { $some_shown ->
        [yes] Revision { $shown } is shown instead.
       *[no] No earlier one can be; an empty design is shown instead.
    } Nothing is lost: undo goes back past it, and the next change makes a new revision from what you see.
go-back-past = Go back past it
export-stored-document = Export the stored document
export-project = Export the project
bothy-does-not-answer = Bothy does not answer.
trying-again-every-two = { $trouble } Trying again every two seconds.

## Bench
picture = Picture
divider-between-picture-ledger = Divider between picture and table
ledger = Table

## Find
a-build-up = build-up
stage = stage { $key }
appliance = appliance
circuit = circuit
heater = heater
tank = tank
water-pipe = water pipe
gas-appliance = gas appliance
gas-pipe = gas pipe
duct = duct
vent = vent
how-calculated = how it’s calculated, { $title }
find-do = Find or do
find-do-2 = find or do…   /
found = Found
nothing-found-try-appliance = nothing found; try an appliance, a circuit, a stage, “undo” or “export”

## Frame
bothy-does-not-answer-yet = Bothy does not answer yet; trying again.
opening-design = Opening the design…
design-cannot-opened = This design cannot be opened: { $message }
saved = saved
saving = saving…
kept-here-not-sent = kept here, not sent yet
waiting-you = waiting for you
undo = Undo
redo = Redo
export-project-file = Export project file
export = export
export-appliances-csv = Export appliances CSV
export-circuit-schedule-csv = Export circuit schedule CSV
export-circuit-schedule-xlsx = Export circuit schedule XLSX
export-lists-bench-xlsx = Export lists for the bench XLSX
export-diagram-svg = Export diagram SVG
export-report-json = Export report JSON
print-circuit-schedule = Print circuit schedule
print = print
export-switch-panel-dxf = Export switch panel DXF
export-switch-panel-svg = Export switch panel SVG
print-switch-panel = Print switch panel 1:1
print-lists-bench = Print lists for the bench
print-label-sheet = Print label sheet
print-list-sources = Print list of sources
print-test-sheet = Print test sheet
show-us-units = Show US units
show-metric-units = Show metric units
units = units
night-theme = Night theme
day-theme = Day theme
theme = theme
worklist = Worklist
quick-calculations = Quick calculations
calculators = calculators
how-calculated-2 = How it’s calculated
method = method
projects = Projects
list = list
bothy-projects = Bothy: projects
bothy = Bothy
stage-2 = Stage
not-built-yet = { " " }(not built yet)
worklist-everything-open-l = Worklist: everything that is open (l)
worklist-2 = Worklist:
dangers = dangers,
problems = problems,
questions-open = questions open
undo-z = undo (z)
undo-2 = undo
redo-shift-z = redo (Shift+z)
redo-2 = redo
feet-pounds-f-press = feet, pounds, °F: press for metric
metres-kilograms-c-press = metres, kilograms, °C: press for US units
units-press-metric-us = , units: press for { $is_us ->
        [yes] metric
       *[no] US
    }
fetching-stage = Fetching the stage…
keyboard = Keyboard
close = Close

## Path
not-started = not started
started = started
calculated = calculated
no-open-danger-problem = no open danger or problem
tested-site = tested on site
stages = Stages
not-built-yet-key = { $question }{ $has_page ->
        [yes] { "" }
       *[no] { " " }(not built yet)
    } · key { $key }
dangers-problems-open = { $dangers } { $dangers ->
        [one] danger
       *[other] dangers
    }, { $faults } { $faults ->
        [one] problem
       *[other] problems
    } open

## Slate
calculation = Calculation
close-2 = close
details-hidden = Details, hidden
details = details: { $title }
details-2 = Details
width-details = Width of the details
clear-selection = clear selection
hide-panel = hide panel
figures-findings = Figures and findings

## ViewSwitch
view = View of { $stage }

## keys
twelve-stages = the twelve stages
find-do-3 = find or do
worklist-everything-open = worklist: everything that is open
new-line-ledger = new line in the table
working-focused-figure = how the focused figure is calculated
f-shift-f = f, Shift+f
next-previous-finding = next, previous finding
z-shift-z-ctrl = z, Shift+z; Ctrl+Z, Ctrl+Shift+Z
undo-redo = undo, redo
slate-back = to Details and back
arrows-enter-tab = Arrows, Enter, Tab
ledger-move-edit-go = in a table: move, edit, go on; what is typed on a cell goes into it
out-ledgers-cells-keys = out of a table’s cells, so that the keys of this list are heard
ctrl-enter-delete-ctrl = Ctrl+Enter, Delete, Ctrl+D
ledger-new-line-remove = in a table: new line, remove, duplicate
alt-up-alt-down = Alt+Up, Alt+Down
ledger-reorder = in a table: reorder
list-2 = this list

## stages
vehicle = Vehicle
what-we-working = What are we working with?
daily-use = Daily use
who-lives-where-how = Who lives in it, where, how?
power = Power
there-enough-what-limits = Is there enough, and what limits it?
trips = Trips
will-last = Will it last?
wiring = Wiring
which-cable-which-fuse = Which cable, which fuse, which way?
heat-air = Heat and air
warm-dry-cool-how = Warm, dry and cool for how much?
water = Water
how-many-days-does = How many days, and does the shower run?
gas = Gas
enough-safe = Is it enough, and is it safe?
layout-weight = Layout and weight
where-does-go-what = Where does it go, and what does it weigh?
build = Build
what-next-when-done = What next, and when is it done?
test = Test
does-do-what-design = Does it do what the design says?
hand-over = Hand over
what-goes-vehicle = What goes with the vehicle?
