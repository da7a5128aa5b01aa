### What an owner reads: texts.

## TextsForm
texts-form-texts-facts = Texts and facts
texts-form-name = Name
texts-form-made = Made by
texts-form-shop-itself = the shop itself
texts-form-summary = Summary
texts-form-texts = Texts
texts-form-empty-line-begins-another = An empty line begins another paragraph. A title without a text isn’t shown.
texts-form-title = Title
texts-form-title-text = Title of text { $at }
texts-form-text = this text
texts-form-text-b = Text { $at }
texts-form-add-text = Add a text
texts-form-facts = Facts
texts-form-name-fact = Name of fact { $at }
texts-form-not-told = not told
texts-form-fact = Fact { $at }
texts-form-fact-b = this fact
texts-form-add-fact = Add a fact
texts-form-tags = Tags
texts-form-templates-prices-can-products = Templates and prices can be for products with a tag.

## TextsView
texts-view-texts-facts = { $name }: texts and facts
texts-view-name = the name
texts-view-who-made = who made it
texts-view-summary = the summary
texts-view-not-kept-yet = Not kept yet
texts-view-way = On its way
texts-view-shoppers-read-them = As shoppers read them
texts-view-cancel = Cancel
texts-view-save = Save
texts-view-page-shoppers-see-now = The page as shoppers see it now
texts-view-page = The page of { $name }
texts-view-details = texts
texts-view-facts = facts
texts-view-tags = tags

## useTexts
texts-texts-facts = Texts and facts
