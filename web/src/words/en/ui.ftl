### What an owner reads: ui.

## ColourList
colour-list-colour = Colour { $index }
colour-list-remove-colour = Remove colour { $index }

## DialogSheet
dialog-sheet-cancel = Cancel

## DraftActs
draft-acts-what-planned-cant-told = What is planned can’t be told now
draft-acts-shops-clocks = By the shop’s clocks
draft-acts-goes-live = Goes live { $at }
draft-acts-call-off = Call it off
draft-acts-more-about-publishing = More about publishing
draft-acts-publish-under-name-time = Publish under a name or at a time …
draft-acts-take-last-publication-back = Take the last publication back
draft-acts-what-was-published = What was published …
draft-acts-publish = Publish { $title }
draft-acts-publish-under-name-time-b = Publish under a name or at a time
draft-acts-publish-then = Publish then
draft-acts-publish-b = Publish
draft-acts-name-history = Name in the history
draft-acts-time-shops-clocks = At a time, by the shop’s clocks
draft-acts-once = at once
draft-acts-goes-live-now-whatever = It goes live as it is now, whatever is changed on it until then.
draft-acts-what-was-published-b = What was published
draft-acts-what-was-published-c = { $title }: what was published
draft-acts-publications-newest-first = Publications, the newest first
draft-acts-nothing-was-published-yet = Nothing was published yet; it is as it began.
draft-acts-published = Published
draft-acts-start = At the start
draft-acts-live-now = live now
draft-acts-take-draft = Take it as the draft

## DraftHead
draft-head-live-nothing-changed-since = Live, nothing changed since
draft-head-changes-not-live = { $changes ->
    [one] 1 change
   *[other] { $changes } changes
} not live
draft-head-what-changes-where = What changes where
draft-head-publish = Publish

## JournalBar
journal-bar-history = History

## JournalDialog
journal-dialog-history = History
journal-dialog-history-b = History of { $name }
journal-dialog-nothing-was-done-yet = Nothing was done to it yet.
journal-dialog-steps-newest-first = Steps, the newest first
journal-dialog-start = At the start
journal-dialog-made-again = made again
journal-dialog-taken-back = taken back
journal-dialog-since = · { $turns } since
journal-dialog-take-back = Take back: { $told }
journal-dialog-take-back-b = Take back
journal-dialog-back = Back to this: { $told }
journal-dialog-takes-back-everything-was = Takes back everything that was done since, by everybody
journal-dialog-back-b = Back to this

## MetNote
met-note-changed-somebody-else-meanwhile = Changed by somebody else meanwhile: { $met }.
met-note-take-theirs = Take theirs

## NameDialog
name-dialog-name = Name

## NoticeNote
notice-note-understood = Understood

## PageThumb
page-thumb-page-cant-drawn-now = This page can't be drawn now.

## PickList
pick-list-enter-takes-what-you = Enter takes what you typed
pick-list-nothing-begins-so = Nothing begins so

## ProblemNote
problem-note-mine-place-theirs = Mine in place of theirs
problem-note-leave-theirs = Leave theirs
problem-note-try-again = Try again

## ProgressLine
progress-line-on-its-way = On its way
progress-line-stop = Stop

## RowTools
row-tools-move-up = Move { $name } up
row-tools-up = Up
row-tools-remove = Remove { $name }
row-tools-remove-b = Remove

## SavedState
saved-state-steps = { $count ->
    [one] 1 step
   *[other] { $count } steps
}
saved-state-wait = { $waiting } { $waiting2 ->
    [one] waits
   *[other] wait
}
saved-state-not-sent = { $count } of { $toISOString } ({ $views }) not sent
saved-state-until-you-have-signed = { $wait } until you have signed in
saved-state-connection = { $wait } for the connection
saved-state-files-their-way = { $files ->
    [one] 1 file is on its way
   *[other] { $files } files are on their way
}
saved-state-saving = Saving
saved-state-saved = Saved { $time }
saved-state-everything-saved = Everything is saved
saved-state-new-version-compagina-there = A new version of Compagina is there.
saved-state-load = Load it
saved-state-send-them = Send them
saved-state-let-them-go = Let them go
saved-state-understood = Understood
saved-state-try-now = Try now

## StepsDialog
steps-dialog-close = Close

## TakeAway
take-away-remove = Remove { $what }
take-away-remove-b = Remove
take-away-undo-brings-back-now = Undo brings it back as it is now.

## TopBar
top-bar-skip-view = Skip to the view
top-bar-compagina = Compagina
top-bar-places = Places
top-bar-go-anywhere-ctrl-k = Go anywhere, Ctrl K
top-bar-go-anywhere = Go anywhere
top-bar-messages-shoppers = Messages to shoppers
top-bar-keyboard-shortcuts = Keyboard shortcuts
top-bar-sign-out = Sign out
top-bar-open-shop = Open shop
top-bar-steps-arent-sent-yet = { $waiting ->
    [one] 1 step isn’t
   *[other] { $waiting } steps aren’t
} sent yet. They stay in this browser and are sent when you sign in here again.
top-bar-views = Views

## UndoRedo
undo-redo-undo = Undo
undo-redo-undo-ctrl-z = Undo, Ctrl Z: { $undoes }
undo-redo-undo-ctrl-z-b = Undo, Ctrl Z
undo-redo-redo = Redo
undo-redo-redo-ctrl-shift-z = Redo, Ctrl Shift Z: { $redoes }
undo-redo-redo-ctrl-shift-z-b = Redo, Ctrl Shift Z

## colours
colours-colours-system-has-them = Colours as the system has them
colours-paper = Paper
colours-dark = Dark

## MomentInput
moment-input-write-please = Write it as { $day }, please.
moment-input-shops-clocks = By the shop’s clocks
moment-input-day = a day
moment-input-day-time = a day and a time
moment-input-pick-day = Pick the day

## NumberInput
number-input-whole-number-from-please = A whole number from { $least } to { $most }, please.

## SearchField
search-field-empty-search = Empty the search

## moment
moment-january = January
moment-february = February
moment-march = March
moment-april = April
moment-may = May
moment-june = June
moment-july = July
moment-august = August
moment-september = September
moment-october = October
moment-november = November
moment-december = December

## KeysDialog
keys-dialog-keys = Keys
keys-dialog-close = Close
keys-dialog-letters-signs-alone-do = Letters and signs alone do something; without this only keys with Ctrl or Alt, arrows, Enter, Escape and Delete do

## keys
keys-ctrl-k = Ctrl K
keys-go-anywhere-name = go anywhere by name
keys-ctrl-z-b = Ctrl Z
keys-ctrl-shift-z-b = Ctrl Shift Z
keys-these-keys = these keys
keys-undo = undo
keys-redo = redo

## places
places-house-style = House style
places-swatch-book = Swatch book
places-pictures = Pictures
places-wording = Wording
places-shelf = Shelf
places-pages = Pages
places-looks = Looks
places-prices = Prices
places-templates = Templates
places-cards = Cards
places-listings = Listings
places-messages-shoppers = Messages to shoppers
places-texts-facts = Texts and facts
places-variants = Variants
places-desk = On the desk

## ProductList
product-list-find-name = Find by name
product-list-no-product-called-like = No product is called like this

## ProductsInOrder
products-in-order-not-here = not in this listing

## ProductsPick
products-pick-leave-out = Leave out { $handle }
products-pick-add-product = { $label }: add a product
products-pick-add = Add

## UploadList
upload-list-files-their-way = Files on their way
upload-list-files-way = { $count ->
    [one] 1 file is
   *[other] { $count } files are
} on the way
upload-list-cancel-all = Cancel all
upload-list-cancel = Cancel { $name }
upload-list-cancel-b = Cancel
upload-list-understood = Understood: { $name }
upload-list-understood-b = Understood
upload-list-understood-all = Understood, all { $count }

## useUploads
uploads-pictures = Pictures
uploads-wasnt-taken = “{ $name }” wasn't taken. { $why }

## useTitle
title-compagina = Compagina

## VisitParts
visit-parts-holds = holds this
visit-parts-holds-something-else = holds something else
visit-parts-holds-b = holds { $called }
visit-parts-cart = Cart: { $said }
visit-parts-cart-b = Cart
visit-parts-which-if-matters = Which, if it matters
visit-parts-anything = anything
visit-parts-pieces-cart = Pieces in the cart
visit-parts-pieces = { $cartPieces ->
    [one] piece
   *[other] pieces
} of it
visit-parts-quantity = Quantity
visit-parts-empty = empty
