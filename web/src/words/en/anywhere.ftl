### What an owner reads: anywhere.

## GoAnywhere
go-anywhere-go-anywhere = Go anywhere
go-anywhere-go = Go to
go-anywhere-product-template-option-price = A product, template, option, price rule or view
go-anywhere-where-go = Where to go
go-anywhere-nothing-here-called-so = Nothing here is called so.

## useAnywhere
anywhere-price-rule = price rule
