# What formats says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## appliances_csv
current-give-voltage-too = “{ $text }” is a current; give its voltage too, for example “5 A @ 12 V”
not-time-write-for = “{ $piece }” is not a time of day; write for example “7-9, 16:30-22”
not-one = “{ $text }” is not a { $what }; one of { $allowed }
name-missing = the name is missing
power-missing-write-for = the power is missing; write for example “60 W”, “5 A @ 12 V”, or give a label energy
place-in-vehicle = place in the vehicle
as-usual = { $use_words }, as is usual
mains = mains, { $why }
through-adapter = through an adapter
starts-with-times-power = starts with { SHORT($start) } { $start ->
        [one] time
       *[other] times
    } its power
time = { PER_CENT($a, digits: 0) } of the time
battery = battery of { $show }
no-column-appliance-list = “{ $field }” is no column of an appliance list; one of { $words }
name = the name
label-energy = label energy
charge-energy = charge energy
charge = charge a day
power-or-energy-label = the power, or the energy of its label
not-those-appliance-list = are not those of an appliance list: found { $cs }; at least “name” and “power” (or “label energy”) are needed. Bothy’s own: { $columns }
has-lines-at-most = has { $rows_count } { $rows_count ->
        [one] line
       *[other] lines
    }; at most { $max_rows }
this-line-has-cells = this line has { $row_count } { $row_count ->
        [one] cell
       *[other] cells
    }, the heading { $rows_count }; a decimal comma inside a comma-separated file must stand in quotes
assumed = {" "}(assumed: { $assumed })
has-characters-cell-takes = has { $text_count } { $text_count ->
        [one] character
       *[other] characters
    }; a cell takes at most 200
any-time = any time of the day
charges = { SHORT($charges) } charges a day
label-energy-holds-own = its label energy holds its own time; type a power in watts first, then how long it runs

## archive
damaged-bytes-not-those = { $name } is damaged: its bytes are not those that were written
has-no-damaged-or = has no { $name }; it is damaged, or not a Bothy archive
damaged-at = is damaged at { $name }: { $exc }
larger-than-bytes = { $name } is larger than { $most } bytes
no-bothy-archive-bothy = is no Bothy archive (.bothy.zip): { $exc }
holds-too-many-files = holds too many files, or one twice; it is no Bothy archive
not-json-archive-damaged = is not JSON; the archive is damaged
this-bothy-reads-up = is { $data }; this Bothy reads up to { $version }. Use a newer Bothy for this archive
damaged-bytes-not-those-that = is damaged: its bytes are not those that were written
not-utf = is not UTF-8
holds-which-list-doesnt = holds { $extra }, which its list doesn’t name

## bench_lists
board-label = board label
wire-labels-each-on = wire labels, each on both ends
needed = needed m
longest-cut = longest cut m
pack = pack m
pull-test = pull test
rating = rating A
contacts-or-more = contacts A or more
control-wire = control wire
fuse-suppression-diode = 1 A fuse, suppression diode
length = length m
at-most = at most %
inside-to-buy = inside to buy mm
expected = expected mΩ
least = least mΩ
most = most mΩ
ohm-meter-will-do = an ohm-meter will do
fall-at-design-current = fall at design current V
read = read mΩ
no-loaded-test = no: loaded test

## circuits_table
none-yet = none yet
there-no-board-boards = there is no board “{ $text }”; boards are { $known }, or write busbar
no-appliance-called-name = no appliance is called “{ $split }”; name them as in Daily use, apart by commas
not-fuse-family-one = “{ $text }” is not a fuse family; one of { $f_names }
name-circuit-missing = the name of the circuit is missing
not-kind-circuit-one = “{ $kind }” is not a kind of circuit; one of { $get_args }
not-protection-one-fuse = “{ $protection }” is not a protection; one of fuse, breaker, none
not-those-circuit-list = are not those of a circuit list: found { $cs }; at least “circuit” and one of “length”, “cable”, “rating”, “feeds” are needed
no-circuit-board-left = no circuit of a board: left as it is
earlier-line-means-same = an earlier line means the same circuit

## itinerary
has-million-characters-at = has { FIX($text_count, digits: 1) } million characters; at most { FIX($most_chars, digits: 0) }. Thin the track out, or bring it in piece by piece
did-you-mean = did you mean { $names }?
give-latitude-and-longitude = give its latitude and longitude instead, in columns lat and lon
not-place-climate-table = “{ $text }” is not a place of the climate table; { $hint }
from = { FIX($km, digits: 0) } km from { $near_name }
not-date-from-to = “{ $text }” is not a date from 1900 to 2200; write year-month-day, for example 2026-10-12
not-number-for = “{ $text }” is not a number for the { $what }
hooked-up = hooked up
neither-yes-nor-no = “{ $text }” is neither yes nor no for the hook-up; write 1 or 0
hour-setting-off = hour of setting off
place-missing-name-climate = the place is missing: a name of the climate table, or lat and lon
nights-write-whole-number = “{ $cells }” nights: write a whole number from 1 to { $most_days }
not-refill = “{ $wrong }” is not a refill; of { $get_args }
not-kind-one = “{ $kind }” is not a kind of day; one of { $get_args }
not-those-itinerary-found = are not those of an itinerary: found { $cs }; “place”, or “lat” and “lon”, are needed
this-line-has-cells-heading = this line has { $row_count } { $row_count ->
        [one] cell
       *[other] cells
    }, the heading { $rows_count }
begins-on-which-not = begins on { $day }, which is not after the line before ({ $begun }); put the days in order
begins-on-while-line = begins on { $day }, while the line before lasts until { $free }; the two overlap
driving = { FIX($f_h, digits: 1) } h of driving
long-drive-more-than = a long drive: more than 8 h
trip-most-bring-in = is a trip of { $whole } { $whole ->
        [one] day
       *[other] days
    }; { $most_days } at most. Bring it in a year at a time
not-well-formed-xml = is not well-formed XML: { $exc }
declares-entities-or-document = declares entities or a document type of its own; a track needs none, and they are refused
xml-but-not-gpx = is XML, but not GPX: its root is “{ $local }”
has-pieces-at-most = has { $pieces_count } pieces; at most { $most_pieces }. Join them, or bring the journey in year by year
point = point { $n }
has-no-track-and = has no track and no route with points in it
has-without-latitude-or = has a { $name } without latitude or longitude
has-at-which-no = has a { $name } at { SHORT($lat) }, { SHORT($lon) }, which is no place: latitudes run from −90 to 90, longitudes from −180 to 180
has-with-time-write = has a { $name } with the time “{ $stamp }”; write it like 2026-10-12T08:30:00Z
goes-back-in-time = goes back in time: a point is earlier than the one before it. Join its tracks in the order of the journey
trip-most-bring-in-year = is a trip of { $days } { $days ->
        [one] day
       *[other] days
    }; { $most_days } at most. Bring it in a year at a time
has-pieces-without-times = has { $pieces_count } pieces without times, each a day; { $most_days } days at most
piece-without-times-at = piece { $n }: { FIX($km, digits: 0) } km, without times; { FIX($hours_h, digits: 1) } h at { SHORT($km_h) } km/h from 09:30
take-at-cut-this = { FIX($km, digits: 0) } km take { FIX($hours_h, digits: 0) } h at { SHORT($km_h) } km/h; cut this piece into days, or bring a track with times

## log_files
empty-log-has-line = is empty; a log has a line of column names and a line for each moment
has-one-column-only = has one column only; a log has a time and at least one measured value
column-time = the column of the time
column-load-power-or = the column of the load power, or those of the bank’s voltage and current
whether-positive-current-charges = whether a positive current charges or discharges the bank
has-no-line-with = has no line with a time that can be read; the first is “{ $rows }”, write it like 2026-10-12 08:30
lines-have-no-time = { $bad_count } { $bad_count ->
        [one] line has
       *[other] lines have
    } no time that can be read (the first is line { $bad }); they are left out
times-go-backward-lines = { $backward } { $backward ->
        [one] time goes
       *[other] times go
    } backward; the lines are put in order
times-stand-twice-their = { $twice } { $twice ->
        [one] time stands
       *[other] times stand
    } twice; their mean is taken
hours-hold-no-load = { PER_CENT($gaps, digits: 0) } of its hours hold no load power
spans-at-most-bring = spans { GROUPED($count, digits: 0) } { $count ->
        [one] day
       *[other] days
    }; at most { $most_hours }. Bring it in a year at a time

## method_pages
in-all = {" "}… { $value_count } in all
more = { $rows_count } more

## papers
revision-values-typical-where = Revision { $revision }. { $licensed } Values are typical where no data sheet is named; check your local rule.
single-line-diagram = single-line diagram
label-sheet = label sheet
circuit-schedule = circuit schedule
lists-for-bench = lists for the bench
switch-panel = switch panel
circuits = Circuits

## pdf
layer = layer { $n }

## picture
has-kb-bothy-keeps = has { FIX($data_count, digits: 0) } kB; Bothy keeps at most { FIX($most_bytes, digits: 0) } kB
holds-more-than-picture = holds more than a picture: where or with what it was taken. Take it in as a photograph, not in an archive
no-picture-as-bothy = is no picture as Bothy keeps them{ $why }
has-mb-at-most = has { FIX($data_count, digits: 1) } MB; at most { FIX($most_sent, digits: 0) } MB
no-picture-that-can = is no picture that can be read (JPEG, PNG or WebP){ $why }

## places
no-column-names-thing = no column names the thing; head one with “thing” or “key”
no-columns-say-where = no columns say where things stand; head two with “x m” and “y m”
no-place-on-this = no place on this line
has-place-on-earlier = “{ $by_key_name }” has a place on an earlier line
at-from-rear-from = { $by_key_name } at { FIX($x_m, digits: 3) } m from the rear, { FIX($y_m, digits: 3) } m from the centre line, { FIX($z_m, digits: 3) } m over the floor
missing = { $replace }{ $axis } is missing
design-has-no-name = the design has no “{ $named }”; name things as in Layout and weight
turned-by-things-stand = turned by { SHORT($turned) }°: things stand square, by 0, 90, 180 or 270°
there-no-bay = there is no bay “{ $cells }”

## project_file
empty-choose-bothy-project = is empty; choose a Bothy project file (.bothy.json)
not-json-at-line = is not JSON: { $msg } at line { $lineno }, column { $colno }
holds-number-that-cant = holds a number that can’t be read: { $exc }
nested-too-deeply-to = is nested too deeply to be a Bothy project file
must-be-this-not = must be “{ $format }”; this is not a Bothy project file
must-be-whole-number = must be a whole number
this-bothy-reads-up-to = is { $version }; this Bothy reads up to { $schema_version }. Use a newer Bothy for this file
must-be-text-to = must be a text of 1 to 120 characters
must-be-list-to = must be a list of 1 to 50 variants
not-known-key-project = is not a known key of a project file
two-variants-have-same = two variants have the same name
must-be-name-one = must be the name of one of the variants
must-be-list-at = must be a list of at most { $most_entries } entries
must-be-date-and = must be a date and time such as 2026-09-12T10:30:00
must-be-entries-numbered = must be { $i }: entries are numbered from 1 without a gap
must-be-number-entry = must be the number of an entry before it

## quotes_table
price-cant-be-price = a price of { SHORT($price) } can’t be; it is the price of all of it, 0 to 1,000,000
no-number-from-to = “{ $cells }” is no number of days from 0 to 365
not-write-like = “{ $until }” is not a day; write it like 2027-03-14
no-column-names-line = no column names the line; head one with “key” or “what”, as in the exported shopping list
no-column-holds-prices = no column holds prices; head one with “quoted price”
shopping-list-has-no = the shopping list has no “{ $named }”
has-price-on-earlier = “{ $at_name }” has a price on an earlier line
here-in = , here in { $lead_days } { $lead_days ->
        [one] day
       *[other] days
    }
from-2 = { $at_name }: { SHORT($price) } from { $supplier }{ $days }

## tables
empty-needs-line-column = is empty; it needs a line of column names and a line for each { $item }
has-characters-at-most = has { $text_count } { $text_count ->
        [one] character
       *[other] characters
    }; at most { $max_chars }
not-text-export-as = is not text; export it as CSV first
cannot-be-read-as = cannot be read as a table: { $exc }
has-no-cells-needs = has no cells; it needs a line of column names and lines of values

## weather_files
empty = is empty
has-hour-twice-keep = has the hour { $when }:00 twice; keep one line an hour
begins-like-epw-file = begins like an EPW file, but can’t be read as one: { $exc }
looks-like-tmy-but = looks like TMY3, but can’t be read as it: { $exc }
has-at-to-can = has { SHORT($values) } { $unit } at { $when }:00; { SHORT($least) } to { SHORT($most) } can be. Is the column, or its unit, another one?
no-weather-file-that = is no weather file that is known: neither EPW, nor TMY3, nor a CSV with a line of column names
column = the column of { $w }
time-2 = the time
global-radiation-in = the global radiation in W/m²
air-temperature-in = the air temperature in °C
latitude = its latitude
longitude = its longitude
whether-time-marks-start = whether a time marks the start or the end of its hour
has-for-time-in = has “{ $row }” for a time in line { $n }; write it like 2025-01-31 14:00 or with a zone, 2025-01-31T14:00+01:00
has-no-lines-under = has no lines under its column names
goes-back-in-time-at = goes back in time at { $times }; sort its lines by time
has-line-every-hourly = has a line every { $step }; hourly lines or finer are needed
imported-place = imported place
has-time-twice-keep = has the time { $twin } twice; keep one line for each moment
outside-range-that-bothy = is { SHORT($lat_deg) }, outside the range that Bothy can calculate: 72° north to 72° south
file-from = { $kind } file, { $day_count } { $day_count ->
        [one] day
       *[other] days
    } from { $date }
to-by-month-nights = { $title }: { FIX($worst, digits: 2) } to { FIX($best, digits: 2) } kWh/m² a day by month, nights down to { FIX($tmin_c, digits: 0) } °C on average in the coldest month; a day is { FIX($kt_autocorr, digits: 2) } like the one before in clearness, { FIX($temp_autocorr, digits: 2) } in warmth.
holds-whole-years-which = {" "}It holds { $years_count } whole years, which a trip can be run through as they were.

## workbook
not-xlsx-workbook-save = is not an XLSX workbook; save it as XLSX or CSV
too-large-workbook-unpacks = is too large a workbook: it unpacks to more than { $max_inside } MB; save the one sheet that is meant
not-xlsx-workbook-that = is not an XLSX workbook that can be read ({ $name }); save it as XLSX or CSV
has-no-sheet-with = has no sheet with anything on it
too-large-workbook-has = is too large a workbook: it has more than { $max_rows } lines
too-large-workbook-one = is too large a workbook: one of its cells holds { $text_count } { $text_count ->
        [one] character
       *[other] characters
    }, { $max_cell } at most

## build_files
ask = Ask { $ask }.
shopping = Shopping
bar-when-printed-true = 100 mm when printed true; 1 : 20, so 2 m; front to the left
