### What an owner reads: swatches.

## AlikeList
alike-list-too-alike = Too alike
alike-list-and = and
alike-list-look-alike-they-differ = look alike { $EYES }: they differ by { $difference }, and 4 can be told apart. Show their names beside them, or change one.

## CloserPicture
closer-picture-larger-picture-while-pointed = Larger picture, while pointed at
closer-picture-another-picture = Another picture
closer-picture-choose-picture = Choose a picture
closer-picture-take-out = Take it out

## MatchList
match-list-picture-files = Picture files
match-list-use-nearly-right-doubled = { $count } in use · { $count2 } nearly right · { $count3 } doubled · { $count4 } left over
match-list-put-aside = · { $count } put aside
match-list-take-all-nearly-right = { $count ->
    [one] Take the one that is nearly right
   *[other] Take all { $count } that are nearly right
}
match-list-files-arent-seen-because = { $count ->
    [one] 1 file isn't seen
   *[other] { $count } files aren't seen
}, because { $count ->
    [one] its value has a swatch
   *[other] their values have swatches
} set here or in the palette.
match-list-show-files-instead = Show the files instead
match-list-nearly = nearly
match-list-take = Take it
match-list-put-aside-b = Put aside
match-list-also = also
match-list-which-shows = , which shows { $used }
match-list-use-one = Use this one
match-list-or = {" "}or{" "}
match-list-could = could be { $values }
match-list-has-name-no-value = has the name of no value
match-list-value = The value for { $name }
match-list-it-is-for = It is for …
match-list-given-hand = , given to it by hand
match-list-go-name = Go by its name
match-list-put-aside-c = put aside
match-list-remove = Remove { $name }
match-list-remove-b = Remove
match-list-hide-what-settled = Hide what is settled
match-list-show-settled = { $settled ->
    [one] Show the one that is settled
   *[other] Show the { $settled } that are settled
}

## MergeDialog
merge-dialog-merge-into-another-option = Merge { $name } into another option
merge-dialog-merge-options = Merge options
merge-dialog-merge-into = Merge into { $target }
merge-dialog-merge = Merge
merge-dialog-two-options-were-meant = For two options that were meant to be one. Values of the same name become one; products, variants, pictures and swatches go along.
merge-dialog-into = Into
merge-dialog-option-stays = Option that stays
merge-dialog-choose = Choose …
merge-dialog-become-one = Become one
merge-dialog-none-no-value-has = none: no value has the name of another
merge-dialog-come-over = Come over
merge-dialog-none = none
merge-dialog-change = Change
merge-dialog-no-product-uses = no product uses it
merge-dialog-then-gone-links-choice = Then { $name } is gone. Links with a choice of { $name } in their address open the page without it. Undo makes them two again.

## OptionActs
option-acts-more-about-option = More about this option
option-acts-merge-into-another-option = Merge into another option …
option-acts-split-off-some-products = Split off for some products …
option-acts-remove = Remove …
option-acts-products-no-longer-chosen = { $products ->
    [one] 1 product is
   *[other] { $products } products are
} no longer chosen by it.
option-acts-values-their-swatches-go = Its { $count } values and their swatches go with it.

## OptionHead
option-head-nothing = Nothing
option-head-pages = Pages
option-head-cards = Cards
option-head-quick-looks = Quick looks
option-head-pages-cards-quick-looks = Pages, cards, quick looks
option-head-name-option = Name of the option
option-head-what-about-shoppers = What it is about, for shoppers
option-head-how-chosen = How it is chosen: { $title }
option-head-set-apart = Set apart
option-head-add-pictures = Add pictures

## OptionList
option-list-options = Options
option-list-swatch-book = Swatch book
option-list-palette = Palette
option-list-one-product = of one product
option-list-products = { $products ->
    [one] 1 product
   *[other] { $products } products
}
option-list-values = { $line } · { $values } values
option-list-settle = { $open } to settle
option-list-name-new-option = Name of a new option
option-list-new-option = New option
option-list-add = Add

## OwnList
own-list-products-swatches-their-own = Products with swatches of their own
own-list-of = of { $name }
own-list-no-reason-was-given = no reason was given
own-list-rejoin = Rejoin

## OwnSwatch
own-swatch-different-one-product = Different on one product …
own-swatch-no-product-offers = No product offers { $name }.
own-swatch-only = Only on
own-swatch-colour = a colour
own-swatch-text = its text
own-swatch-colour-product = Colour on this product
own-swatch-why = Why
own-swatch-those-who-wonder-later = For those who wonder later
own-swatch-save = Save
own-swatch-cancel = Cancel

## PaletteDialog
palette-dialog-palette = Palette
palette-dialog-save = Save
palette-dialog-shops-named-colours-one = The shop's named colours, one a line: a name, then #RRGGBB. A colour that browsers know by name, such as Tomato, may stand alone. Values with these names show them wherever nothing else is set.
palette-dialog-named-colours = Named colours
palette-dialog-ember-d7512b-sea-green = Ember #D7512B Sea green #2E8B57 Tomato

## SplitDialog
split-dialog-split = Split { $name }
split-dialog-split-option = Split an option
split-dialog-split-b = Split
split-dialog-these-products-get-option = These products get an option of their own that begins as a copy, with the values they offer, and can then look different. Variants, stock and pictures stay as they are.
split-dialog-called = Called
split-dialog-of = { $name } of …
split-dialog-name-new-option = Name of the new option
split-dialog-products-get = Products that get it
split-dialog-values = { $count ->
    [one] 1 value
   *[other] { $count } values
}

## SwatchBookView
swatch-book-view-swatch-book = { $name } in the swatch book
swatch-book-view-swatch-book-b = the swatch book
swatch-book-view-drop-picture-files-anywhere = Drop picture files anywhere on this page: each goes to the value whose name it has. Capitals, spaces, accents and underscores don't matter.
swatch-book-view-let-go-give-these = Let go to give these pictures to the values of { $name }
swatch-book-view-products-here-have-no = Products here have no options to choose by.

## ValueAway
value-away-take-away = Take { $name } away …
value-away-what-goes-along-cant = What goes along can't be told now. { $message }
value-away-products-offer-no-longer = { $products ->
    [one] 1 product offers
   *[other] { $products } products offer
} it no longer.
value-away-variants-have-go-out = { $variants ->
    [one] 1 variant has it and goes
   *[other] { $variants } variants have it and go
} with it, out of every cart too.
value-away-no-product-offers = No product offers it.

## ValueFan
value-fan-no-swatch-yet = no swatch yet
value-fan-name-new-value = Name of a new value
value-fan-new-value = New value
value-fan-add = Add

## ValuePanel
value-panel-chosen-values = The chosen values
value-panel-offered-products = { $products ->
    [one] offered by 1 product
   *[other] offered by { $products } products
}
value-panel-try-swatch-their-pages = Try a swatch on their pages
value-panel-pale-ground-so-gets = pale on this ground, so it gets a ring
value-panel-name = Name
value-panel-told-hover-spoken-place = Told on hover and spoken, in place of the name
value-panel-colours = Colours
value-panel-colour = Colour
value-panel-colour-under-picture = Colour under the picture
value-panel-remove-colour-under-picture = Remove the colour under the picture
value-panel-colour-under-picture-b = A colour under the picture
value-panel-name-suggests = its name suggests { $proposed }
value-panel-take = Take it
value-panel-another-colour = Another colour
value-panel-colour-place = A colour in its place
value-panel-give-colour = Give it a colour
value-panel-values = { $count } values
value-panel-choose-value-set-name = Choose a value to set its name, its colours and what is told of it. Shift and Ctrl choose several.
value-panel-values-without-swatch-show = Values without a swatch show a picture that belongs to them alone
value-panel-values-have-no-swatch = { $count ->
    [one] 1 value has
   *[other] { $count } values have
} no swatch yet
value-panel-cut-them-from-products = Cut them from the products' pictures
value-panel-take-their-colours-from = Take their colours from the products' pictures
value-panel-cut-from-products-pictures = Cut from its products' pictures
value-panel-colour-from-products-pictures = Colour from its products' pictures
value-panel-rejoin-what-palette-files = Rejoin: what palette, files or text give
value-panel-show-text-here = Show the text here

## useBook
book-swatch-book = Swatch book

## words
words-swatches = Swatches
words-buttons = Buttons
words-drop-down-list = Drop-down list
words-radio-list = Radio list
words-products-own = the product's own
words-set-here = set here
words-palettes-colour = the palette's colour
words-file-name = a file of its name
words-variants-pictures = its variants' pictures
words-text = its text
words-most-eyes = to most eyes
words-eyes-see-no-red = to eyes that see no red
words-eyes-see-no-green = to eyes that see no green
words-eyes-see-no-blue = to eyes that see no blue
words-letters-differ = { $letters ->
    [one] one letter differs
   *[other] { $letters } letters differ
}
words-name-also-says = its name also says “{ $more }”
words-name-lacks = its name lacks “{ $missing }”
words-more = { $names } and { $count } more
