# What api says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## app
bothy = Bothy
api-not-part-api = /api/{ $rest } is not part of the API

## bring
log-of-devices = { $simulated ->
    [yes] Simulated devices
   *[no] Devices
}, { $start } to { $last }
not-all-told = are not all told: { $asks }

## build
not-write-like = “{ $text }” is not a day; write it like 2027-03-14
must-lie-in-years = must lie in the years 2000 to 2100
no-forecast-service-answers = no forecast service answers on this machine; type what yours says of the coming days
no-suppliers-service-answers = no supplier’s service answers on this machine; export the list, let it be filled in, and bring it back as a table
empty-paste-table-or = is empty; paste a table, or choose a file

## exports
there-no-switch-panel = there is no switch panel yet; take Bothy’s proposal or lay one out in Wiring
pdf = { $project_name } { $kind }.pdf

## fit
roof-things = Roof, { $spots_count } { $spots_count ->
        [one] thing
       *[other] things
    }

## guard
this-server-answers-only = this server answers only to { $hosts }
changes-taken-only-from = changes are taken only from Bothy’s own pages
send-json = send JSON
must-be-number = must be a number
bytes-at-most = is { $length } bytes; at most { $most }
this-bothy-asks-for = this Bothy asks for a token: open it by the whole address that it printed when it was started
bothy-stumbled-over-this = Bothy stumbled over this; it is in the log. Nothing else is affected.
larger-than-bytes = is larger than { $most } bytes

## live
nobody-answers-on-port = nobody answers on port { $port }; start them with ./bothy devices
isnt-up = “{ $alarm }” isn’t up

## photos
empty = is empty

## printing
pdf-was-not-ready = the PDF was not ready after { SHORT($most_s) } s; print it from the browser instead
pdf-could-not-be = the PDF could not be made: { $last }
pdf-could-not-be-made = the PDF could not be made: its program ended without a word

## problems
not-one-that-can = is not one that can be read; send well-formed JSON
nothing-at-this-address = there is nothing at this address
not-one-that-this = is not one that this address takes
asks-for-kind-that = asks for a kind that is not made here
too-large = is too large
design-cant-be-computed = a design can’t be computed
open-or-say-that = { $exc }; open it, or say that this one is being built
not-json = is not JSON: { $first }
disk-full-nothing-more = The disk is full: nothing more can be saved. Make room on it; what you typed is kept and sent again.
holds-something-that-cant = holds something that can’t be kept; take out unusual characters
database-does-not-answer = The database does not answer. It is started again by itself; try in a moment.
database-does-not-answer-and = The database does not answer, and whether this was saved is not known. What you typed is kept; when it is back Bothy looks, and sends it again if it was not.
holds-characters-that-no = holds characters that are no text (half of a pair); take them out
nested-too-deeply = is nested too deeply

## projects
as-planned = as planned
kept-in-form-that = “{ $lost }” is kept in a form that this Bothy can’t read; export the project, and copy what can be read

## reference
must-be-number-or = must be a number, or nothing
has-no-power-yet = has no power yet; type that first

## roof
nothing-on-roof-in = nothing on the roof, in a wall or in the floor is called “{ $of }”; choose one of the list

## sizing
has-no-leg-yet = has no leg yet; add the first place of the trip

## trips
one-runs-already-wait = one runs already; wait for it or cancel it

## variants
must-be-number-revision = must be the number of a revision
design-was-changed-meanwhile = the design was changed meanwhile: it is at revision { $head }, this edit was made on { $expected }
something-was-measured-meanwhile = something was measured meanwhile: the evidence is at entry { $newest }, this edit was made on { $seen }
change-was-made-and = the change was made, and is no longer there
there-no-figure-at = there is no figure '{ $key }' at revision { $revision }
something-was-measured-meanwhile-2 = something was measured meanwhile
there-no-proposal-at = there is no proposal '{ $id }' at revision { $revision }
there-nothing-to-take = there is nothing to take: what was typed stays, and the rest is already as proposed
took-proposals = took { $taken_count } { $taken_count ->
        [one] proposal
       *[other] proposals
    }
took-proposal = took proposal { $taken }

## water
no-outlet-this-design = “{ $one }” is no outlet of this design; outlets are { $outlets }
missing-choose-pump-and = is missing; choose a pump and lay a run before taps can be opened
