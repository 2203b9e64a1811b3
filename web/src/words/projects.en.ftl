# What the pages of projects say. A quantity’s name ends in its unit.

## Compare
headlines = Headlines
what = what
same = The same.
what-was-entered-differently = What was entered differently
findings-only-one-has = Findings that only one has
first = first
second = second
figures-differ-most-top = Figures that differ, the most at the top
figures-differ = Figures that differ
more-rows-differ = { $more } more { $more ->
        [one] row differs
       *[other] rows differ
    }.
compare = Compare
projects = Projects
beside-each-other = Beside each other
revision = revision
revision-first-second = revision of the { $is_a ->
        [yes] first
       *[no] second
    }
reckoning-both = Calculating both…
no-project-yet = No project yet.
they-same = They are the same.
more-than-entered-differently = { $has_more ->
        [yes] More than{ " " }
       *[no] { "" }
    }{ $said_count } entered differently, { $figures_count } { $figures_count ->
        [one] figure
       *[other] figures
    } and { $found_count } { $found_count ->
        [one] finding differs
       *[other] findings differ
    }.

## Projects
give-name-example-what = Give it a name, for example what you call the vehicle.
name-has-characters-most = The name has { $name_count } { $name_count ->
        [one] character
       *[other] characters
    }; at most 120.
begin = Begin a
kind-vehicle = Kind of vehicle
region = Region
called = called
name-project = Name of the project
name = a name
begin-2 = Begin
copy = copy { $variants_count }
name-2 = Name
demo-made-up = demo, made up
open = Open { $project }, { $name }
copy-variant = copy as a variant
copy-2 = Copy { $project }
copy-3 = Copy…
all-was-measured = with all that was measured
another-vehicle-nothing-measured = as another vehicle: nothing measured, no days, no owner
rename = Rename
export = Export
project-photographs-one-zip = The project with its photographs, one zip
photos = With photos
delete = Delete…
deleted-still-had = Deleted, and still to be had ({ $data_count })
demo = a demo
gone-good-days = gone for good in { $days_left } { $days_left ->
        [one] day
       *[other] days
    }
bring-back = Bring { $name } back
last-backup-today-days = Last backup: { $days_is_0 ->
        [yes] today
       *[no] { $days } { $days ->
        [one] day
       *[other] days
    } ago
    }.
nothing-backed-up-yet = { $no_days ->
        [yes] Nothing is backed up yet
       *[no] The last backup is { $days } { $days ->
        [one] day
       *[other] days
    } old
    }. In a terminal:
bothy-backup-safe-place = ./bothy backup /a/safe/place
best-another-disk = , best on another disk.
wasnt-taken = wasn’t taken
mb-project-file-has = is { FIX($chosen_count, digits: 1) } MB; a project file has at most 8 MB
bothy = Bothy
quick-calculations = Quick calculations
how-calculated = How it’s calculated
import-project-file = Import a project file…
project-file = Project file
one-model-vehicle-every = One model of the vehicle; every figure with how it’s calculated; findings that say what is wrong and what to do.
way-through = The way through:
vehicle = Vehicle
what-you-work = (what you work with),
daily-use = Daily use
what-will-run = (what will run),
power = Power
what-supplies = (what supplies it),
trips = Trips
will-last = (will it last),
wiring = Wiring
which-cable-fuse = (which cable and fuse),
heat-air = Heat and air
water = Water
gas = Gas
layout-weight = Layout and weight
where-stands = (where it stands),
build = Build
what-next = (what next),
test = Test
safe-does-do-what = (is it safe, does it do what it should),
hand-over = Hand over
papers-go-whatever-you = (the papers that go with it). Whatever you have not entered yet is assumed and shown in
purple-dots-under = purple, with dots under it
not-taken = Not taken: { $problem }
was-deleted = { $gone } was deleted.
undo = Undo
looking = Looking…
try-again = Try again
none-yet-name-your = None yet. Name your vehicle above and press Begin; everything you don’t say is assumed, and shown as assumed.
list-projects = List of projects
project = project
variants = variants
last-change = last change
actions = actions
delete-2 = Delete { $doomed }?
leaves-list-all-variants = It leaves the list with all its variants. You can undo this right after.
keep = Keep it
delete-3 = Delete
