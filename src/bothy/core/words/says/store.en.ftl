# What store says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## backup
no-backup-bothy = { $file } is no backup of Bothy
was-written-by-newer = { $file } was written by a newer Bothy (format { $found }); take that one
was-written-by-newer-bothy = { $file } was written by a newer Bothy (its data are at { $schema }); take that one
holds-table-that-isnt = { $file } holds a table that isn’t known here: { $unknown }
damaged-in-nothing-was = { $file } is damaged in { $name }: nothing was changed
isnt-there = { $file } isn’t there
damaged-or-cut-off = { $file } is damaged or cut off ({ $exc }): nothing was changed
database-isnt-empty = the database isn’t empty: { $name }
has-rows-after-was = { $name } has { $there } { $there ->
        [one] row
       *[other] rows
    } after it was filled, { $count } are in the file
cant-be-filled = { $name } can’t be filled: { $cause }

## jobs
was-interrupted-start-again = was interrupted; start it again
there-no-job = there is no job { $id }

## measured
there-no-variant = there is no variant { $variant }

## migrate
database-was-made-by = The database was made by a newer Bothy; start that one, or move to another folder with BOTHY_STATE.

## photos
there-no-photograph = there is no photograph { $sha256 }

## projects
design-at-revision = the design is at revision { $head }
what-measured-belongs-to = what is measured belongs to “{ $building }”, the variant that is being built
evidence-at-entry = the evidence is at entry { $number }
revision-not-json = of revision { $number } is not JSON: { $exc }
revision = of revision { $number } { $message }
there-no-such-project = there is no such project
there-no-such-variant = there is no such variant
there-no-revision = there is no revision { $number }
copied-from = copied from { $source_name }
there-no-revision-2 = there is no revision { $up_to }
change-was-made-before = the change was made before
there-nothing-to = there is nothing to { $direction }
