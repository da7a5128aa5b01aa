### What an owner reads: types.

## FieldsForm
fields-form-shoppers-choose = Shoppers choose by
fields-form-nothing-there-one-variant = Nothing: there is one variant of each.
fields-form-texts-their-titles = Texts, by their titles
fields-form-facts-their-names = Facts, by their names
fields-form-tags = Tags
fields-form-price-about = Price, about, { $currency }
fields-form-pictures-about = Pictures, about
fields-form-most-one-order = At most in one order
fields-form-any-number = any number
fields-form-shoppers-write-onto = Shoppers write onto it
fields-form-nothing-name-banner = nothing; or: Name on the banner
fields-form-stock-counted = Stock is counted

## NewProductDialog
new-product-dialog-first = The first of
new-product-dialog-new-one = A new one of
new-product-dialog-add = Add it
new-product-dialog-takes-place-sample = It takes the place of the sample.
new-product-dialog-begins-types-options-variant = It begins with what its type has. { $first } Shoppers don’t see it until you put it on sale.
new-product-dialog-name = Name
new-product-dialog-price = Price, { $currency }
new-product-dialog-all = all { $all }, or those you choose
new-product-dialog-some = { $some } of { $all }
new-product-dialog-variants =
    { $count ->
        [one] One variant is made.
       *[other] { $number } variants are made.
    }
new-product-dialog-too-many = That would be { $number } variants, and { $most } are the most that are made at once. Choose fewer values; without, none is made yet.
new-product-dialog-summary = Summary, in a sentence or two
new-product-dialog-pictures = Pictures from the computer
new-product-dialog-leave-out = Without { $name }

## NewTypeDialog
new-type-dialog-new-product-type = New product type
new-type-dialog-compose-their-page = Compose their page
new-type-dialog-before-first-product-exists = Before the first product exists, a sample made of what you say here stands in for it on the desk. Shoppers never see it.
new-type-dialog-name = Name
new-type-dialog-power-kites = Power kites
new-type-dialog-begin-what-another-type = Begin with what another type has
new-type-dialog-no-other-type = no other type
new-type-dialog-what-they-have = What they have
new-type-dialog-their-page = Their page
new-type-dialog-template-you-have-already = A template you have already
new-type-dialog-template-serves-them = The template that serves them
new-type-dialog-template-their-own-copy = A template of their own, as a copy of
new-type-dialog-template-copied = The template that is copied
new-type-dialog-none-begins-empty = none, it begins empty

## TypeDialog
type-dialog-save = Save
type-dialog-until-first-product-there = Until the first product is there, its sample is made of this.
type-dialog-name = Name
type-dialog-remove-type = Remove the type
