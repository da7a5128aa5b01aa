### What an owner reads: house.

## HouseView
house-view-type = Type
house-view-families-eight-steps-from = The families, and eight steps from which every text takes its size.
house-view-colours = Colours
house-view-few-colours-each-one = Few colours, each with one meaning.
house-view-space-shape = Space and shape
house-view-nine-steps-between-things = Nine steps between things, the width of the page, corners.
house-view-buttons = Buttons
house-view-they-under-pointer-pressed = As they are, under the pointer, pressed and out of use.
house-view-fields = Fields
house-view-quantity-lists-checkout = Quantity, lists and the checkout.
house-view-choices = Choices
house-view-swatches-buttons-radio-lists = Swatches, buttons and radio lists; an options piece can have its own.
house-view-marks = Marks
house-view-what-said-picture-sale = What is said on a picture: sale, sold out, coming soon.
house-view-texts = Texts
house-view-house-style = House style
house-view-parts-house-style = Parts of the house style
house-view-own = { $count } own
house-view-living-sample = Living sample
house-view-contrast = Contrast
house-view-pairs-too-weak-read = { $count ->
    [one] 1 pair is
   *[other] { $count } pairs are
} too weak to be read by everybody.
house-view-every-pair-can-read = Every pair can be read (WCAG 2.2, AA).
house-view-aa = Aa
house-view-to-one = { $is } : 1
house-view-needs = needs { $needed }

## TokenField
token-field-px = px
token-field-set-you = Set by you
token-field-rejoin = Rejoin { $label }
token-field-rejoin-b = Rejoin

## useHouse
house-house-style = House style

## HouseTexts
house-texts-texts = Texts of the shop
house-texts-find = Find a text
house-texts-card = { $label } on cards
house-texts-phone = phone { $says }
house-texts-none = No text is called “{ $wanted }”.
house-texts-on-every = { $kind }: wherever a page has nothing of its own.
house-texts-as-seen = As seen of { $name }
house-texts-sample-on = Living sample, { $screen }
house-texts-no-page = No page that is live has this piece.
house-texts-looks = Looks kept
house-texts-keep = Keep as a look …
house-texts-keep-as = Keep as a look
house-texts-keep-told = Other texts can be given it by this name. What is changed of the look is changed of them all.
house-texts-save = Save
house-texts-rename = Rename …
house-texts-rename-as = Name of the look
house-texts-remove = Remove
house-texts-look-given = A look, for all texts that it is given to.
house-texts-look-how = A text is given this look under “Look”, here or on a page.
