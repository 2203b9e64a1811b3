# What the pages of parts say. A quantity’s name ends in its unit.

## BeingBuilt
plan-readings-tests-belong = “{ $name }” is a plan. Readings and tests belong to the variant that is being built:
build-instead = Build “{ $name }” instead

## BringIn
appliances = { $n ->
    [one] appliance
   *[other] appliances
}
circuits = { $n ->
    [one] circuit
   *[other] circuits
}
legs = { $n ->
    [one] leg
   *[other] legs
}
places = { $n ->
    [one] place
   *[other] places
}
quotes = { $n ->
    [one] quote
   *[other] quotes
}
bar = bar
tab = tab
semicolon = semicolon
comma = comma
points-track = points of a track
csv-xlsx = CSV or XLSX
has-mb-list-has = { $chosen } has { FIX($chosen_count, digits: 1) } MB; a list of { $items } has at most { $most_bytes } MB.
empty-needs-line-column = { $chosen } is empty; it needs a line of column names and a line for each of the { $items }.
import = Import { $items }
choose-file = Choose a file, { $kinds }…
file = File of { $items }
paste-cells-spreadsheet-line = or paste the cells of a spreadsheet, with a line of column names:
leave = Leave it
import-leave-out = Import { $taken } { $items }{ $has_wrong ->
        [yes] , leave out { $wrong }
       *[no] { "" }
    }
import-2 = Import
table = Table of { $items }
reading = Reading…
days-track = Days of a track.
separated-understood-columns = Separated by { $separator }. Understood columns:{ " " }
left-aside = { " " }Left aside: { $ignored_columns }.
which = { " " }and which{ " " }
say-which-column-holds = Say which column holds { $asks }:
is = “{ $heading }” is
left-aside-2 = left aside
what-was-understood = What was understood
line = { $problem } (line: { $text })

## Exports
server-answered = The server answered { $status }.
bothy-does-not-answer = Bothy does not answer; nothing was saved.
making = Making { $making }…
cancel = cancel
export = Export ▾

## Fig
computed = computed
typed = typed
assumed = assumed
catalogue = catalogue
table-2 = table
given = given
default = default
working-could-not-fetched = How it’s calculated could not be fetched: { $message }
try-again = Try again
fetching-working = fetching how it’s calculated…
how-was-reached = { $label }: how it was reached

## FileHead
has-mb-has-most = { $chosen } has { $size } MB; { $item } has at most { $most_bytes } MB.
choose = Choose { $kinds }…

## Findings
answered = answered: { $finding }
reason = Reason
why-all-right-reason = Why is it all right? The reason goes into the vehicle’s book.
keep = Keep
would-also-bring = It would also bring { $brings }.
all-same = { $fix } all the same
opened-again = opened again: { $finding }
responded-still-danger = Responded, still a danger:{ " " }
accepted = Accepted:{ " " }
reopen = Reopen
rests-what-only-assumed = Rests on what is only assumed so far: { $rests_on }.
respond = Respond…
accept-reason = Accept with a reason…
findings = Findings

## Fittings
fittings = Fittings

## HeadroomBar
needs-has = needs { $need }, has { $have }
too-little = too little
tight = tight

## ItemLedger
name = name

## JobButton
waiting-before = Waiting: { $ahead } before it.
waiting-next = Waiting: it is next.
how-far = How far it is
cancel-2 = Cancel
last-failed = The last { $what } failed: { $error }
last-was-cancelled-nothing = The last { $what } was cancelled; nothing was lost.

## Ledger
findings-2 = findings

## Photos
wasnt-taken = wasn’t taken
photographed = photographed { $name }
struck-photograph = struck a photograph of { $name }
photographs = Photographs of { $name }
strike-photograph = Strike this photograph of { $name }
only-last = only the last { $shown }
all = all { $mine_count }
photograph = Photograph of { $name }
keeping = keeping { $busy }…
another-photograph = another photograph
add-photograph = add a photograph
stop = stop
more-werent-taken = and { $wrong_count } more that weren’t taken.

## PlainNumber
number-like = a number{ $has_like ->
        [yes] , like { $like }
       *[no] { "" }
    }
none = none

## Proposals
suggested = suggested
differs-what-fitted = differs from what is fitted
choice-nothing-needs = a choice, nothing needs it
fitted = fitted
keeping-yours = keeping yours
working-out = Working it out…
assumed-2 = assumed: { $w }
pick = Pick { $title }
less = less
why = why
use = Use { $title }
use-2 = use
you-typed-your-own = You typed your own; a proposal never overwrites it.
bothys-proposal = Bothy’s proposal
bothy-suggests = Bothy suggests
use-selected = Use the { $chosen_count } selected
use-all = Use all { $wanted_count }
nothing-suggest-everything-fitted = Nothing to suggest: everything is fitted as suggested, or entered by you.

## Quantity
write-value-press-escape = write a value, or press Escape to keep the old one

## Token
assumed-3 = assumed: { $why }
assumed-4 = { $props }, assumed: { $why }
press-change = { $props }: press to change
assumed-change = { " " }({ $props }{ $has_assumed ->
        [yes] , assumed
       *[no] { "" }
    }: change)

## choices
elbows = elbows
wide-bends = wide bends
half-elbows = half elbows
tees-straight = tees, straight
tees-off-side = tees, off the side
couplings = couplings
g-every-way = 10 g every way
g-forward-g-sideways = 5 g forward, 3 g sideways
braking-only-hold-own = braking only, in a hold of its own
small-boat-her-side = a small boat on her side, 1.5 g
holds = holds
leaks = leaks
repeat = repeat it

## columns
begins = begins at
length = length
date = date

## manyPhotos
one-photograph-was-photographs = { $made_count ->
        [one] One photograph was
       *[other] { $made_count } photographs were
    } kept and not written down; choose them again
