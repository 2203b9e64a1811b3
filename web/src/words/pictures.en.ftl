# What the pages of pictures say. A quantity’s name ends in its unit.

## FuseWindow
window-opens-when-something = The window opens when something draws current here.
load-needs-least-cable = Load { $current_a } A, needs at least { $low } A{ $has_high ->
        [yes] , cable allows { $high } A
       *[no] { "" }
    }{ $has_chosen ->
        [yes] , chosen { $chosen } A
       *[no] , none chosen
    }
fuse-window = Fuse window. { $words }
load = the load: { $current_a } A
margin-start = its margin and start: to { $low } A
outside-window-chosen = { $r } A{ $inside ->
        [yes] { "" }
       *[no] , outside the window
    }{ $tall ->
        [yes] , chosen
       *[no] { "" }
    }
to-a = { $window_low_a } to { $high } A

## services
direct-current = direct current
mains = mains
data = data
warm-air = warm air
coolant = coolant
fresh-water = fresh water
hot-water = hot water
waste = waste
gas = gas
