# What devices says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## client
devices-at = devices at { $port }
what-was-said-could = what was said could not be kept yet ({ $name })
line-has-more-than = a line has more than { $most_bytes } bytes; the connection is let go
line-that-no-message = a line that is no message: { $exc }

## hub
sends-more-than-readings = { $device } sends more than { $most_a_s } readings a second; the rest is dropped
no-device-this-vehicle = “{ $device }” is no device of this vehicle
calls-itself = “{ $device }” calls itself { $kind }; it is a { $kind_2 }
clock-off-readings-dont = the clock of { $device } is { SIGNED($at_s, digits: 0) } s off; its readings don’t count
two-devices-call-themselves = two devices call themselves { $device }, or it counts backwards
says-that-cant-be = { $device } says { $key } is { SHORT($value) }: that can’t be

## mqtt
bridge-answers-no-requests = a bridge answers no requests

## protocol
must-be-utc-time = must be a UTC time like 2027-06-01T10:00:00.000Z
no-time = “{ $text }” is no time
must-say-zone-end = must say its zone: end it with Z
has-more-than-bytes = has more than { $most_bytes } bytes
not-json = is not JSON
must-be-object = must be an object
must-be = must be { $version }
required = is required
required-to-printable-signs = is required: 1 to 60 printable signs
none = “{ $kind }” is none of { $kinds }
must-be-whole-number = must be a whole number that rises by 1
must-be-one = must be one of { $qualities }
must-say-true-or = must say true or false: whether it is simulated
must-hold-to-quantities = must hold 1 to { $most_keys } quantities
must-be-finite-number = must be a finite number

## standin
must-be-one-2 = must be one of { $methods }
none-mine = is none of mine
must-be-hello-or = must be hello or request
