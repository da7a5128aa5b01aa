### What an owner reads: desk.

## AllProducts
all-products-wide = Wide
all-products-phone = Phone
all-products-there-no-products-yet = There are no products yet: what you see is a sample made of what they will have.
all-products-template-serves-no-product = This template serves no product yet; these are all of the shop’s.
all-products-products = { $count ->
    [one] 1 product
   *[other] { $number } products
}
all-products-measured = {" "}of the { $count } measured
all-products-buy-button-lies-first = { $said }. The buy button lies in the first screen of all{ $measured }.
all-products-buy-buttons-end = { $lates ->
    [one] 1 buy button ends
   *[other] { $lates } buy buttons end
}
all-products-they-stand-first = ; they stand first
all-products-below-first-screen = { $said }. { $several } below the first screen{ $measured }{ $sorted }.
all-products-no-buy-button-seen = no buy button seen
all-products-button-px-below = button { $below } px below
all-products-button-sight = button in sight
all-products-screen = Screen
all-products-drawn-small = { $name }, drawn small
all-products-put-desk = Put on the desk:
all-products-first-screens = { $said }. First screens: { $done } of { $count } measured

## AllStates
all-states-as-it-is = As it is
all-states-sale = On sale
all-states-not-sale = Not on sale
all-states-plenty-left = Plenty left
all-states-few-left = Few left
all-states-sold-out = Sold out
all-states-coming-soon = Coming soon
all-states-nothing-chosen = Nothing chosen
all-states-cart-already = In the cart already
all-states-ten = Ten of it
all-states-german = In German
all-states-chosen-piece = The chosen piece
all-states-alone = { $label } alone
all-states-card-alone = The card alone
all-states-listing = Its listing
all-states-whole-page = Whole page
all-states-what-shown = What is shown
all-states-states-looks-ways = In { $count } states it looks { $count2 ->
    [one] the same.
   *[other] { $count2 } ways.
}
all-states-click-puts-state-desk = { $only } A click puts the state on the desk; what is changed on the slip shows in all of them.
all-states-put-desk = Put it on the desk: { $name }
all-states-drawn-small = { $name }, drawn small

## BackDialog
back-dialog-back-template = { $name } back to its template
back-dialog-back-template-b = Back to the template
back-dialog-has-page-from = { $name } has its page from “{ $to }”.
back-dialog-removed-can-brought-back = “{ $name }” is removed; it can be brought back where the templates stand.

## BandLine
band-line-show-pieces = Show the { $count } pieces of { $name }
band-line-fold = Fold { $name }
band-line-linked-same-wherever-used = Linked: the same wherever it is used
band-line-pieces = { $count ->
    [one] piece
   *[other] pieces
}
band-line-remove-which-empty = Remove { $name }, which is empty
band-line-empty-remove = Empty: remove it

## ClashDialog
clash-dialog-another-condition = another condition
clash-dialog-somebody-else-was-here = Somebody else was here first
clash-dialog-theirs-now = Theirs, as it is now
clash-dialog-yours = Yours
clash-dialog-use-mine = Use mine
clash-dialog-use-theirs = Use theirs
clash-dialog-on = on
clash-dialog-off = off
clash-dialog-nothing = nothing

## DeparturesDialog
departures-dialog-departures-from = Departures from { $name }
departures-dialog-departures = Departures
departures-dialog-close = Close
departures-dialog-rejoin-all = Rejoin all { $count }
departures-dialog-every-product-has-template = Every product has the template as it is. To let one product or type keep a value of its own, choose for whom it counts at the top of the slip, and set it.
departures-dialog-whole-type = the whole type
departures-dialog-product = this product
departures-dialog-not-served-template-now = not served by this template now
departures-dialog-rejoin-these = Rejoin these { $count }
departures-dialog-piece-has-gone-from = its piece has gone from the template
departures-dialog-template = template: { $template_says }
departures-dialog-place-line = Place on line { $number }
departures-dialog-remove = Remove
departures-dialog-show-me = Show me
departures-dialog-make-templates = Make it the template’s
departures-dialog-rejoin = Rejoin

## DeskFoot
desk-foot-buy-button-ends-px = { $name }: the buy button ends { $below } px below the first screen.
desk-foot-pictures-wide-phone = Pictures { $first } wide, { $first2 } phone
desk-foot-loaded-first-when-all = Loaded at first. When all have been looked at: { $all } on wide screens, { $all2 } on phones.
desk-foot-page-has-no-buy = This page has no buy button yet.
desk-foot-no-screen-shows-buy = No screen shows the buy button.
desk-foot-no-buy-button-shown = { $name }: no buy button is shown.
desk-foot-buy-button-lies-first = The buy button lies in the first screen of both.
desk-foot-hide-there =
    { $count ->
        [one] Hide { $what } there
       *[other] Hide { $count } pieces there
    }
desk-foot-for-alone = For { $name } alone: { $what }. It can be undone.
desk-foot-show-me = Show me
desk-foot-pictures-too-small = { $count ->
    [one] 1 picture is
   *[other] { $count } pictures are
} too small.
desk-foot-keyboard = Keyboard

## DeskHead
desk-head-no-products-yet = no products yet
desk-head-reaches-no-product-yet = reaches no product yet
desk-head-reaches-products-types = reaches { NUMBER($serves, useGrouping: "true") } { $serves ->
    [one] product
   *[other] products
} in { $types } { $types ->
    [one] type
   *[other] types
}
desk-head-not-live-yet = Not live yet
desk-head-live-nothing-changed-since = Live, nothing changed since
desk-head-draft-changes-not-live = Draft { $revision } · { $count ->
    [one] 1 change
   *[other] { $count } changes
} not live
desk-head-own-page = { $name }, own page
desk-head-whole-shop-around = Whole shop around it
desk-head-slim-name-cart-only = Slim: name and cart only
desk-head-none = None
desk-head-departures = { $departed ->
    [one] 1 departure
   *[other] { $departed } departures
}
desk-head-shops-clocks = By the shop’s clocks
desk-head-goes-live = Goes live { $at }
desk-head-call-off = Call it off
desk-head-here = { $name } is here
desk-head-page = Page
desk-head-card = Card
desk-head-card-reaches = { $places }: { NUMBER($serves, useGrouping: "true") } { $serves ->
    [one] product
   *[other] products
}
desk-head-ready-arrangements-card = ready arrangements of the card
desk-head-cards-publishing-changes = cards that publishing changes
desk-head-look-earlier-card = look at an earlier card, bring it back
desk-head-rejoin-whole-card = Rejoin the whole card
desk-head-starters = Starters
desk-head-ready-arrangements-whole-page = ready arrangements of the whole page
desk-head-what-changes-where = What changes where
desk-head-pages-publishing-changes-before = pages that publishing changes, before and after
desk-head-departures-b = Departures
desk-head-no-product-type-keeps = no product or type keeps anything different
desk-head-kept-different = { $departed } kept different
desk-head-back-template = Back to the template
desk-head-loses-page-own = { $name } loses this page of its own
desk-head-page-own = A page of its own
desk-head-apart-from-template = for { $name }, apart from this template
desk-head-history = History
desk-head-look-earlier-page-bring = look at an earlier page, bring it back
desk-head-preview-link = Preview link
desk-head-someone-without-account = for someone without an account
desk-head-frame-what-shop-surrounds = Frame: what of the shop surrounds it
desk-head-rejoin-whole-page = Rejoin the whole page
desk-head-nothing-differs-from-house = nothing differs from the house style
desk-head-drops-values-own = drops { $own } values of its own
desk-head-publish = Publish

## DeskView
desk-view-published-shoppers-see-now = Published. Shoppers see it now.
desk-view-published-nobody-sees-yet = Published. Nobody sees it yet.
desk-view-published-but-nobody-sees = Published, but nobody sees it: this template serves no product now.
desk-view-give-some = Give it some
desk-view-take-back = Take it back

## HistoryDialog
history-dialog-draft-now = the draft as it is now
history-dialog-history = History
history-dialog-close = Close
history-dialog-nothing-has-happened-template = Nothing has happened on this template yet.
history-dialog-start = At the start
history-dialog-was-then = As it was then
history-dialog-page-then = The page then
history-dialog-compared = Compared with
history-dialog-page-compared = The page compared with it
history-dialog-two-same = The two are the same.
history-dialog-what-differs = What differs
history-dialog-more = and { $count } more
history-dialog-bring-back = Bring it back

## KeepMenu
keep-menu-keep-situation-name-take = Keep this situation by a name, or take up one that was kept
keep-menu-keep = Keep …
keep-menu-kept-situations = Kept situations
keep-menu-none-kept-yet-kept = None kept yet. A kept situation is one click away, on every template.
keep-menu-remove = Remove { $name }
keep-menu-keep-one = Keep this one as
keep-menu-product-choice = with this product and choice
keep-menu-save = Save

## LeafMenu
leaf-menu-product-before = Product before, [
leaf-menu-of = { $place } of { $count }
leaf-menu-product-desk = Product on the desk
leaf-menu-of-b = Of { $name }:
leaf-menu-next-product = Next product, ]

## OrderRow
order-row-and = {" "}and{" "}
order-row-first-screen = in the first screen
order-row-below-first-screen = below the first screen
order-row-not-shown = not shown
order-row-wide-screens = wide screens
order-row-hide = Hide
order-row-show = Show
order-row-every-screen = on every screen
order-row-on-it = { $label } on { $name }: { $said }. { $act } it { $there }.
order-row-departs-here = { $departs } departs here
order-row-has-chosen = { $other } has this chosen
order-row-own = { $own } own
order-row-add-piece-after = Add a piece after { $label }
order-row-add-piece-here = Add a piece here
order-row-phones = phones
order-row-there = there

## PieceFinder
piece-finder-find-piece-add = Find a piece to add
piece-finder-type-what-add = Type what to add
piece-finder-pieces = Pieces
piece-finder-there-already = there already
piece-finder-kept-band = “{ $name }”, a kept band
piece-finder-linked = linked
piece-finder-no-piece-called = No piece is called that.
piece-finder-shift-enter-adds-goes = Shift and Enter adds it and goes on adding.

## PreviewDialog
preview-dialog-day = a day
preview-dialog-week = a week
preview-dialog-month = a month
preview-dialog-clipboard = It is on the clipboard.
preview-dialog-browser-doesnt-allow-copying = The browser doesn't allow copying here; please mark the address and copy it.
preview-dialog-links-ended-nobody-sees = { $count ->
    [one] 1 link
   *[other] { $count } links
} ended. Nobody sees the draft any more.
preview-dialog-preview-link = Preview link
preview-dialog-close = Close
preview-dialog-whoever-has-link-sees = Whoever has the link sees this draft as it is at that moment, without an account, until it runs out.
preview-dialog-lasts = It lasts
preview-dialog-make-link = Make a link
preview-dialog-link = The link
preview-dialog-until = Until { $until }
preview-dialog-copy = Copy
preview-dialog-end-all-links-draft = End all links to this draft

## ProofFrame
proof-frame-proof = Proof, { $name }

## ProofPane
proof-pane-wide = Wide
proof-pane-tablet = Tablet
proof-pane-phone = Phone
proof-pane-both = Both
proof-pane-all-products = All products
proof-pane-all-states = All states
proof-pane-proofs = Proofs
proof-pane-proofs-shown = Proofs shown

## PublishDialog
publish-dialog-serves-no-product-now = It serves no product now: nothing in the shop changes at once.
publish-dialog-serves-products-what-they = It serves { $count } { $count ->
    [one] product
   *[other] products
}; what they show of it changes in the shop at once.
publish-dialog-publish = Publish { $name }
publish-dialog-publish-b = Publish
publish-dialog-more = and { $count } more
publish-dialog-shoppers-see-card-first = Shoppers see this card for the first time.
publish-dialog-shoppers-see-template-first = Shoppers see this template for the first time.
publish-dialog-and = {" "}and{" "}
publish-dialog-still-say-what-starter = { $prompting } still { $count ->
    [one] says
   *[other] say
} what the starter wrote.
publish-dialog-pictures-load-wide-screen = The pictures of { $name } load { $first } on a wide screen and { $first2 } on a phone at first.
publish-dialog-name-history-if-you = Name in the history, if you like
publish-dialog-see-what-changes-where = See what changes where, publish for some, or at a time

## RunningOrder
running-order-not-now = not now: { $why }
running-order-running-order = Running order
running-order-find-line = Find a line
running-order-first-screen-wide-phone = first screen: wide · phone
running-order-one-card = of one card: wide · phone
running-order-rest-leads = the rest of the card leads to the page
running-order-card-has-nothing-yet = This card has nothing yet.
running-order-find-line-b = Find a line, /
running-order-fold-unfold-all-bands = Fold or unfold all bands
running-order-phone-first-screen-ends = phone first screen ends
running-order-wide-first-screen-ends = wide first screen ends
running-order-nothing-here-yet-add = Nothing here yet. Add a piece, or drag one here.
running-order-page-has-nothing-yet = This page has nothing yet.
running-order-begin-starter = Begin with a starter
running-order-begin-two-empty-columns = Begin with two empty columns

## SituationStrip
situation-strip-as-it-is = as it is
situation-strip-coming-soon = coming soon
situation-strip-force = in force
situation-strip-draft = of the draft
situation-strip-sold-out = sold out
situation-strip-not-made = not made
situation-strip-situation = Situation
situation-strip-not-chosen = not chosen
situation-strip-stock = Stock
situation-strip-sale = Sale
situation-strip-prices = Prices
situation-strip-plan = Plan
situation-strip-day = Day
situation-strip-today = today
situation-strip-page = The page as it is on
situation-strip-today-again = Today again
situation-strip-read = Read in
situation-strip-now = As it is now
situation-strip-plenty = plenty
situation-strip-few = few
situation-strip-none = none
situation-strip-on = on
situation-strip-off = off
situation-strip-once = once

## StartersDialog
starters-dialog-what-page-usually-has = What a page usually has
starters-dialog-essentials = The essentials
starters-dialog-starters = Starters
starters-dialog-card-stays = What stands on the card stays with all that is set on it; what is missing comes. One step, which can be undone.
starters-dialog-filled = It is filled with
starters-dialog-every-piece-stays-all = Every piece stays with all that is set on it and is laid anew. One step, which can be undone.
starters-dialog-empty-page-filled-what = An empty page is filled with what you choose here; everything can be changed and removed then.
starters-dialog-drawn-small = { $name }, drawn small

## TemplateName
template-name-name-template = Name of the template
template-name-another-name = Another name

## deskStore
desk-store-desk = Desk
desk-store-new-band = New band
desk-store-another-template-was-opened = Another template was opened before all steps were kept, so it wasn't done.
desk-store-arrangement-has-no-place = This arrangement has no place for { $names }. { $count ->
    [one] It stands
   *[other] They stand
} at the end.

## kilobytes
kilobytes-mb = { $kB } MB
kilobytes-kb = { $kB } kB

## CellField
cell-field-or-colour = or type one: #6B2D5C, plum
cell-field-or-pixels = or type { $least } to { $most } px
cell-field-shop-https-mailto = /shop, https://…, mailto:…

## KeptBands
kept-bands-add-band-below = Add a band below
kept-bands-whole-width = Whole width
kept-bands-two-columns-7-5-n = Two columns, 7 + 5
kept-bands-two-columns-6-6-n = Two columns, 6 + 6
kept-bands-three-columns = Three columns
kept-bands-kept-bands = Kept bands
kept-bands-linked = “{ $name }”, linked
kept-bands-same = the same as in { $used }
kept-bands-no-template-now = in no template now
kept-bands-copy = “{ $name }”, a copy
kept-bands-kept = Kept as “{ $name }”
kept-bands-keep-band-other-templates = Keep this band for other templates
kept-bands-kept-band = Kept band
kept-bands-and = {" "}and{" "}
kept-bands-what-changes-here-changes = What changes here changes in { $others } too.
kept-bands-linked-here-only = It is linked here only.
kept-bands-this-is = This is “{ $name }”. { $count }
kept-bands-unlink-here = Unlink it here
kept-bands-keep-band = Keep this band as
kept-bands-save = Save

## useProofFrame
proof-frame-first-screen = first screen, { $height }

## ScopePick
scope-pick-order-pieces-stay-same = Order and pieces stay the same for all.
scope-pick-for = For
scope-pick-whom = For whom
scope-pick-what-set-counts-all = What is set counts for all
scope-pick-what-set-counts-only = What is set counts for { $name } only
scope-pick-all = all
scope-pick-setting-only = Setting for { $name } only.

## SheetHead
order-on-now = { $name } is now { $number } of { $count } on { $screen }.
order-on-phones = phones
order-on-tablets = tablets
order-row-on-phones = { $number } on phones
proof-frame-in-hand = · Alt with arrows moves pieces here
sheet-head-aa = Aa
sheet-head-rejoin = Rejoin { $count } of { $name }
sheet-head-rejoin-b = Rejoin { $count }

## SlipEdge
slip-edge-height-slip = Height of the slip
slip-edge-drag-change-height-double = Drag to change the height, double-click to reset

## SlipPanel
slip-panel-what-product-says-here = What this product says here
slip-panel-pictures-product = The pictures of this product
slip-panel-slip = Slip
slip-panel-not-here = Not here: { $why }
slip-panel-when-appears = When it appears
slip-panel-appears = appears { $says }
slip-panel-find-setting-f = Find a setting, F
slip-panel-find-setting = Find a setting
slip-panel-linked-what-changes-here = Linked: what changes here changes elsewhere too.
slip-panel-rejoin = Rejoin
slip-panel-server-doesnt-answer-what = The server doesn’t answer. What is set here is shown as soon as it does.
slip-panel-choose-line-order-point = Choose a line in the order, or point at something in a proof.

## SlipSheet
slip-sheet-set-here = , set here
slip-sheet-settings = Settings
slip-sheet-setting = Setting
slip-sheet-fold-all = Fold all
slip-sheet-open-all = Open all
slip-sheet-columns = Columns
slip-sheet-columns-b = Columns: { $columns }
slip-sheet-contrast = { $screen }: { $is } to 1 on its ground.
slip-sheet-too-pale = { $screen }: { $is } to 1 on its ground, { $needed } are needed.
slip-sheet-nearest = Nearest that can be read
slip-sheet-empty = empty
slip-sheet-language = in { $language }
slip-sheet-no-setting-here-called = No setting here is called so.

## SlipTools
slip-tools-rejoin-drop-all-values = Rejoin: drop all { $ownOfAll } values set here
slip-tools-rejoin-all-values = Rejoin all values of this
slip-tools-looks-others-kind = Looks of others of its kind
slip-tools-take-looks = Take the looks of { $number }
slip-tools-give-all-others-these = { $count ->
    [one] Give it these looks
   *[other] Give all { $count } others these looks
}
slip-tools-copy-d = Copy, D
slip-tools-copy-piece = Copy this piece
slip-tools-remove-delete = Remove, Delete
slip-tools-remove = Remove this

## columns
columns-one-whole-width = one, the whole width
columns-six-six = six and six
columns-seven-five = seven and five
columns-five-seven = five and seven
columns-eight-four = eight and four
columns-four-eight = four and eight
columns-nine-three = nine and three
columns-three-nine = three and nine
columns-three-alike = three alike
columns-three-six-three = three, six and three
columns-four-alike = four alike

## LinesField
lines-field-one-line-each = One line for each

## MediaField
media-field-no-longer-there = no longer there
media-field-remove = Remove: { $alt }
media-field-add-more = { $count ->
    [one] Another one
   *[other] Add more
}
media-field-choose-film = Choose a film
media-field-choose-pictures = { $count ->
    [one] Choose a picture
   *[other] Choose pictures
}
media-field-shop-has-none-yet = The shop has none yet.
media-field-put-another-film = Put in another film
media-field-put-other-pictures = Put in other pictures

## ProductsField
products-field-none-yet = none yet
products-field-no-longer-there = { $handle }, no longer there

## RichField
rich-field-characters-more-text-holds = That is { $count } characters more; this text holds { $most } in all. Nothing was pasted.
rich-field-text-characters-too-long = This text is { $count } characters too long; the last change isn't kept yet.
rich-field-heading = Heading
rich-field-subheading = Subheading
rich-field-strong = Strong
rich-field-emphasis = Emphasis
rich-field-list = List
rich-field-numbered-list = Numbered list
rich-field-link-begins-https-mailto = A link begins with /, https://, mailto: or tel:.
rich-field-formatting = Formatting
rich-field-link = Link
rich-field-link-leads = The link leads to
rich-field-shop-https-mailto = /shop, https://…, mailto:…
rich-field-no-link = No link

## RowsField
rows-field-move-entry-up = Move entry { $index } up
rows-field-remove-entry = Remove entry { $index }
rows-field-add-entry = Add an entry
rows-field-entries-most = { $count } entries are the most.

## RuleField
rule-field-always-appears = It always appears.
rule-field-shown-here = Shown here
rule-field-not-shown-here = Not shown here

## RuleGroup
rule-group-all-these = All of these
rule-group-any-these = Any of these
rule-group-one-several = one of several …
rule-group-how-sentences-joined = How the sentences are joined
rule-group-take-sentence-out = Take this sentence out
rule-group-another-sentence = And another sentence
rule-group-only-when = Only when …

## RuleSentence
rule-sentence-condition-made-elsewhere = a condition made elsewhere
rule-sentence-say-opposite = Say the opposite
rule-sentence-from = from
rule-sentence-and = and
rule-sentence-to = to

## TableField
table-field-one = One
table-field-two = Two
table-field-first = First
table-field-table-holds-rows-columns = This table holds { $rows } rows and { $columns } columns, and { $most } characters in a cell. Nothing was pasted.
table-field-begin-table = Begin a table
table-field-row-column = Row { $r }, column { $c }
table-field-add-row = Add a row
table-field-add-column = Add a column
table-field-drop-last-row = Drop the last row
table-field-drop-last-column = Drop the last column

## useSheet
sheet-says = Says
sheet-looks = Looks
sheet-set-here = Set here.
sheet-tablet = as tablet
sheet-wide = as wide
sheet-yes = yes
sheet-no = no

## useTold
told-does-nothing-screen-other = Does nothing on this screen as other settings are.
told-delete-rejoins = Delete rejoins it.
told-differs-others = Differs for { $elsewhere ->
    [one] one other product or type
   *[other] { $elsewhere } others
}.
told-keep-their = { $count ->
    [one] keeps its
   *[other] keep their
}
told-and = {" "}and{" "}
told-more = , and { $elsewhere } more
told-own = { $here } { $keep } own{ $elsewhere }.

## types
types-wide = Wide
types-tablet = Tablet
types-phone = Phone

## useChoice
choice-pieces = { $count } pieces
choice-band = Band · { $id }

## useClipboard
clipboard-what-clipboard-was-not = What is on the clipboard was not copied on a desk, so it has no place here. Nothing was changed.

## useKeys
keys-line-above-below = the line above or below
keys-shift = Shift ↑ ↓
keys-choose-several = choose several
keys-alt = Alt ↑ ↓
keys-move-piece = move the piece; on phones alone while their proof is in hand
keys-add-piece-after-chosen = add a piece after the chosen line
keys-add-band-two-columns = add a band of two columns
keys-copy-piece-right-here = copy the piece right here
keys-ctrl-c-x-v = Ctrl C, X, V
keys-copy-cut-paste-other = copy, cut, paste, in other templates too
keys-find-line = find a line
keys-find-setting = find a setting
keys-click-twice = Two clicks
keys-write-words = on a piece in a proof: write its words
keys-from-line-settings-there = from the line to its settings; there arrows, Enter, Esc
keys-ctrl = Ctrl ↑ ↓
keys-slip-next-heading = on the slip: to the next heading
keys-remove = remove it
keys-ctrl-z = Ctrl Z
keys-ctrl-shift-z = Ctrl Shift Z
keys-leaf-through-products = leaf through the products
keys-wide-screen-phone-both = wide screen, phone, both, tablet
keys-all-products-all-states = all products, all states
keys-choose-nothing = choose nothing
keys-keys-desk = Keys on the desk

## useMoves
moves-more = {" "}and { $count } more
moves-now = { $name }{ $several }: now { $number } of { $count }, { $id }
moves-now-band = { $id }: now band { $at } of { $count }

## useScope
scope-all-products = All products

## useSituation
situation-stock = stock { $stock }
situation-sale = sale { $sale }
situation-coming-soon = coming soon
situation-cart = in the cart
situation-cart-not-empty = cart not empty
situation-prices-draft = prices of the draft
situation-on = on { $day }
situation-plan = by a plan
