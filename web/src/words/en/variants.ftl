### What an owner reads: variants.

## ImportDialog
import-dialog-variants = { $count ->
    [one] 1 variant
   *[other] { $count } variants
}
import-dialog-bring-variants-from-csv = Bring in variants from a CSV file
import-dialog-bring-csv = Bring in a CSV
import-dialog-close = Close
import-dialog-cancel = Cancel
import-dialog-one-variant-line-columns = One variant a line. Columns, in any order:
import-dialog-last-part-pages-address = (the last part of its page's address),
import-dialog-where-wanted = , and where wanted
import-dialog-every-other-column-has = . Every other column has the name of an option and holds a value; * is any. A SKU that is there is changed, a new one added; other variants stay. “Save as CSV” gives a file to begin with.
import-dialog-file-read = The file is read
import-dialog-has-mistakes-so-nothing = has { $count ->
    [one] 1 mistake
   *[other] { $count } mistakes
}, so nothing was taken. Mend them and choose the file again.
import-dialog-line = Line
import-dialog-column = Column
import-dialog-what-wrong = What is wrong
import-dialog-nothing-changes = Nothing changes:
import-dialog-tells-all-they = tells all { $same } of { $products } as they are.
import-dialog-has-added = has added
import-dialog-adds = adds
import-dialog-changed = changed
import-dialog-changes = changes
import-dialog-and-of = { $state } { $added } and { $state2 } { $changed } of { $products }
import-dialog-stay-they = ; { $same } stay as they are
import-dialog-more = {" "}and { $count } more
import-dialog-new-values = New values: { $new_values }{ $count }.
import-dialog-lines-written = { $rows } of { $lines } lines are written
import-dialog-lines = { $rows } of { $lines } lines
import-dialog-bring-lines = Bring in { $lines ->
    [one] 1 line
   *[other] { $lines } lines
}
import-dialog-choose-file = Choose a file

## MakeDialog
make-dialog-make-combinations = Make combinations
make-dialog-make-those-missing = Make those that are missing
make-dialog-variant-made-each-combination = A variant is made for each combination that has none yet: at the product's price, with none in stock, under a SKU from its names.
make-dialog-any = any
make-dialog-combinations = { $count ->
    [one] 1 combination
   *[other] { $count } combinations
}

## SellingDialog
selling-dialog-name = Name on it
selling-dialog-it = it
selling-dialog-how-sold = How { $name } is sold
selling-dialog-how-sold-b = How it is sold
selling-dialog-save = Save
selling-dialog-price = Price, { $currency }
selling-dialog-old-price = Old price
selling-dialog-none = none
selling-dialog-it-is = It is
selling-dialog-not-sale-yet = not on sale yet
selling-dialog-sale = on sale
selling-dialog-coming-soon = coming soon
selling-dialog-withdrawn = withdrawn
selling-dialog-old-price-too-high = The old price is too high: in the 30 days before the present price it cost { $overstated }.
selling-dialog-take-one = Take that one
selling-dialog-earlier-prices = { $count ->
    [one] One earlier price
   *[other] { $count } earlier prices
}
selling-dialog-product = the product
selling-dialog-products-price = the product's price
selling-dialog-until = until { $until }
selling-dialog-how-many = How many
selling-dialog-least = At least
selling-dialog-steps = In steps of
selling-dialog-most-one-order = At most in one order
selling-dialog-any-number = any number
selling-dialog-shoppers-may-write-something = Shoppers may write something onto it
selling-dialog-what-asked = What is asked for
selling-dialog-lines = Lines
selling-dialog-characters-line = Characters a line
selling-dialog-allowed-characters = Allowed characters
selling-dialog-any = any
selling-dialog-letters = letters
selling-dialog-letters-digits = letters and digits
selling-dialog-surcharge = Surcharge, { $currency }
selling-dialog-cant-bought-without = It can't be bought without

## SetMany
set-many-stock = Stock
set-many-price = Price
set-many-old-price = Old price
set-many-contents = Contents
set-many-picture = Picture
set-many-empty-not-counted = empty: not counted
set-many-empty-products = empty: the product's
set-many-empty-none = empty: none
set-many-25-m-empty-none = 25 m; empty: none
set-many-chosen = { $count } chosen:
set-many-what-set = What is set
set-many-picture-all-chosen = Picture for all chosen: { $name }
set-many-product-has-no-pictures = The product has no pictures yet.
set-many-those-their-values = Those of their values
set-many-value-all-chosen = Value for all chosen
set-many-set-all = Set for all { $count }
set-many-remove = Remove

## UsesDialog
uses-dialog-options-values = Options and values of { $name }
uses-dialog-options-values-b = Options and values
uses-dialog-save = Save
uses-dialog-shoppers-choose-order-new = Shoppers choose in this order. A new option doesn't matter to the variants there are, until new ones are made; options and values are added to the shop in the Swatch book.
uses-dialog-earlier = { $name } earlier
uses-dialog-later = { $name } later
uses-dialog-without = Without { $name }
uses-dialog-remove = Remove
uses-dialog-has-no-values-yet = It has no values yet.
uses-dialog-nothing-chosen-there-one = Nothing is chosen: there is one variant.
uses-dialog-another-option = Another option
uses-dialog-another-option-b = Another option …
uses-dialog-option-product-only-values = An option of this product only, with its values
uses-dialog-only-here-engraving-none = Only here: Engraving: none, name
uses-dialog-add = Add

## VariantLine
variant-line-price = Price
variant-line-old-price = Old price
variant-line-stock = Stock
variant-line-contents = Contents
variant-line-not-counted = not counted
variant-line-choose = Choose { $sku }
variant-line-any = any
variant-line-of = { $labels } of { $sku }
variant-line-wait = { $waiting ->
    [one] 1 waits
   *[other] { $waiting } wait
}

## VariantsView
variants-view-variants = { $name }: variants
variants-view-keys-among-variants = Keys among variants
variants-view-enter = Enter, ↓
variants-view-keep-line-below = keep, and to the line below
variants-view-shift-enter = Shift Enter, ↑
variants-view-line-above = to the line above
variants-view-end-field-one-beside = at the end of a field: to the one beside it
variants-view-ctrl-v = Ctrl V
variants-view-fill-cells-block-from = fill cells with a block from a spreadsheet
variants-view-lines = { $count ->
    [one] 1 line
   *[other] { $count } lines
}
variants-view-more-didnt-fit-below = ; { $over } more didn’t fit below the last one
variants-view-filled = { $lines } filled{ $over }
variants-view-variants-b = { $count ->
    [one] 1 variant
   *[other] { $number } variants
}
variants-view-combinations-arent-made = · { $missing } combinations aren't made
variants-view-how-sold = How it is sold
variants-view-options-values = Options and values
variants-view-save-csv = Save as CSV
variants-view-bring-csv = Bring in a CSV
variants-view-make-combinations = Make combinations
variants-view-find-variants = Find variants
variants-view-find-sku-value = Find by SKU or value
variants-view-choose-several-set-their = Choose several to set their price or stock at once, or paste a block from a spreadsheet into a cell.
variants-view-variants-c = Variants of { $name }
variants-view-choose-all-found = Choose all that are found
variants-view-picture = Picture
variants-view-sku = SKU
variants-view-price = Price, { $currency }
variants-view-old-price = Old price
variants-view-stock = Stock
variants-view-contents = Contents
variants-view-no-variant-called-like = No variant is called like this.

## useVariants
variants-variants = Variants
variants-change-all-time = Somebody else changes these variants all the time, so that not all of them could be read. Try again in a moment.
