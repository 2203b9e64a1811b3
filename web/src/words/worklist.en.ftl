# What the pages of worklist say. A quantity’s name ends in its unit.

## Worklist
danger = danger
dangers = dangers
problem = problem
problems = problems
piece-advice = piece of advice
pieces-advice = pieces of advice
question = question
questions = questions
note = note
notes = notes
nothing-open-no-danger = Nothing is open: no danger, no problem, no question.
open-design = open in this design.
include = Include: { $fix }
rests-what-only-assumed = Rests on what is only assumed: { $rests_on }.
more = { " " }· and { $told_count } more
respond = Respond…
accept-reason = Accept with a reason…
remedies-once = { $n } { $n ->
        [one] remedy
       *[other] remedies
    } at once
ticked-remedies = Ticked remedies
apply-all-same = Apply { $n } all the same
apply = Apply it
apply-one-change = Apply { $n } as one change
untick = Untick
would-also-bring = It would also bring { $brings }.
these-cant-applied-together = These can’t be applied together: { $wrong }. Untick one of them.
trip = the trip
build = the build
and = { " " }and{ " " }
worklist = Worklist
more-may-come-still = More may come: { $waiting } { $includes ->
        [yes] are
       *[no] is
    } still being worked out.
without-what-build-would = Without what the build would say: { $message }
severity = Severity
all-severities = all severities
stage = Of stage
all-stages = all stages
words = Words
words-line = words of a line…
print = Print
open-lines = Open lines
nothing-found-begin-vehicle = Nothing is found: begin with Vehicle and Daily use.
nothing-fits-these-filters = Nothing fits these filters.
tick-all-them = Tick all of them
