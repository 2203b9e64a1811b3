# What the pages of handover say. A quantity’s name ends in its unit.

## Handover
book-phone-html-works = The book for a phone (HTML, works offline)
book-pdf = The book (PDF)
cards-wall-pdf-a5 = Cards for the wall (PDF, A5)
label-sheets-boards-wires = Label sheets for boards and wires (PDF)
maintenance-calendar-ics = Maintenance for a calendar (ICS)
data-json = Its data (JSON)
hand-over = Hand over
book-could-not-made = The book could not be made: { $message }
making-book = Making the book…
could-not-made = { $word } could not be made
of = { $written } of { $pages_count }
pages-written = pages are written
one-thing-things-missing = ; { $lacks ->
        [one] one thing is
       *[other] { $lacks } things are
    } missing
system-waits-systems-wait = ; { $held_back_count } { $held_back_count ->
        [one] system waits
       *[other] systems wait
    } for a licensed signature
piece-pieces-maintenance-due = ; { $due } { $due ->
        [one] piece
       *[other] pieces
    } of maintenance due.
maintenance-begins = ; { $due } { $due ->
        [one] piece of maintenance begins
       *[other] pieces of maintenance begin
    } once the vehicle is in use.
pages-book = Pages of the book
written = written
take-book = Take the book
take-book-2 = take the book…

## HandoverSlate
battery-switch = battery switch
main-fuse = main fuse
inverters-switch = inverter’s switch
mains-inlet = mains inlet
gas-valve = gas valve
water-drain = water drain
fuse-board = fuse board
extinguisher = extinguisher
fire-blanket = fire blanket
first-aid = first aid
signed = { $paper }: signed by { $signed_by }, { $has_licence ->
        [yes] { $licence },{ " " }
       *[no] { "" }
    }{ $on }.
strike = strike it
signature = Signature of { $signed_by }
name-whoever-signs = The name of whoever signs
number-licence = The number of the licence
signed-only-what-really = To be signed by { $by }; only what really was signed is entered.
name = { $system }: name
name-2 = name
licence = { $system }: licence
licence-2 = licence
licence-if-any = licence, if any
number = { $system }: number
number-2 = number of it
enter = Enter
made = made from { $made_of }
not-handed-over-yet = Not to be handed over yet: { $held_back }. The book can be; that system can’t.
where-found = Where it is found
where = where the { $word } is
empty-place-layout-write = Empty: by its place in Layout. Write it as you would tell a stranger in the dark.
papers = Papers
manuals = Manuals
where-folder-aboard-files = Where it is: a folder aboard, or a file’s name.

## PageView
missing = Missing: { $text }.
go-there = Go there
photograph = photograph
single-line-diagram-stands = The single-line diagram stands here in the book.
plan-side-vehicle-stand = The plan and the side of the vehicle stand here in the book.

## Service
hours-fuel-heater = hours of the fuel heater
hours-generator = hours of the generator
litres-through-filter = litres through the filter
full-cycles-battery = full cycles of the battery
day-date = The day: a date
cost-number-like = The cost: a number, like 45
what-counter-said-number = What its counter said: a number of { $unit }
how-was-done = { $name }: how it was done
day = Day
done = Done by
by = by
odometer = Odometer
when-was-done = { $counter } when it was done, { $unit }
counter = counter, { $unit }
cost = Cost, { $currency }
cost-2 = cost, { $currency }
note = Note
note-2 = note
number-3 = a number
maintenance = Maintenance
due = { $due_count } of { $care_count } are due
far = ; { $cost } so far
odometer-first-trip = odometer at the first trip
odometer-now = odometer now
odometer-2 = odometer
driven-day = driven a day
now = { $key } now
last-due = last { $last }{ $has_due ->
        [yes] , due { $due }
       *[no] { "" }
    }
after = after { $every }
every-never-done = every { $every }; never done
left = , { $value } left
left-2 = , { FIX($value) } { $unit } left
done-today = { $name }: done today
done-2 = done
how-was-done-2 = { $name }: how it was done…

## Signature
signature-2 = the signature
whoever-signs = whoever signs
signature-3 = Signature of { $who }
without = without it
field-sign-finger-pen = Field to sign in with a finger or a pen
take-signature = take this signature
wipe = wipe
photograph-2 = or a photograph of it
photograph-signature = Photograph of the signature{ $has_who ->
        [yes] { " " }of { $who }
       *[no] { "" }
    }

## data
manual = manual of { $name }
signed-2 = signed: { $id }
struck-signature = struck the signature of { $id }
done-3 = { $name }: done
