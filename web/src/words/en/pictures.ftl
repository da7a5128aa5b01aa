### What an owner reads: pictures.

## FocusPoint
focus-point-what-must-stay-sight = What must stay in sight where the picture is cropped: click the place, or use the arrow keys

## PictureCard
picture-card-film = Film
picture-card-every-choice = every choice
picture-card-no-description-yet = No description yet

## PicturePanel
picture-panel-largest-size-made = largest size made: { $width } × { $height }
picture-panel-sizes-being-made = its sizes are being made
picture-panel-film-beginning = Film, its beginning
picture-panel-cut-out = cut out
picture-panel-chosen-pictures = The chosen pictures
picture-panel-picture = Picture
picture-panel-pictures = { $count } pictures
picture-panel-put-another-file-place = Put another file in its place
picture-panel-replace-picture = Replace this picture
picture-panel-remove = Remove
picture-panel-remove-what-chosen = Remove what is chosen
picture-panel-ring-stays-sight-where = { $facts }. The ring stays in sight where a frame crops it.
picture-panel-what-shows-those-who = What it shows, for those who can't see it
picture-panel-seen-from-side = { $name }, seen from the side
picture-panel-workshop-morning = The workshop in the morning
picture-panel-picture-without-values-belongs = A picture without values belongs to every choice.
picture-panel-which-choices-belongs = , which choices it belongs to
picture-panel-choose-picture-say-what = Choose a picture to say what it shows{ $count } and what must stay in sight. Shift and Ctrl choose several.

## PicturesView
pictures-view-pictures = { $name }: pictures
pictures-view-shops-own-pictures = The shop’s own pictures
pictures-view-pictures-b = { $count ->
    [one] 1 picture
   *[other] { $count } pictures
}
pictures-view-sizes-being-made = · sizes of { $waiting } are being made
pictures-view-shops-own-pictures-b = the shop’s own pictures
pictures-view-see-page = See its page
pictures-view-add-pictures = Add pictures
pictures-view-names-files-match-values = { $count ->
    [one] The name of one file matches
   *[other] The names of { $count } files match
} values of this product.
pictures-view-give-them-these-values = Give them these values
pictures-view-no-pictures-yet = No pictures yet.
pictures-view-pictures-films-picture-film = Pictures and films for picture, film and row pieces, and behind bands.{" "}
pictures-view-drop-files-here-jpeg = { $handle }Drop files here: JPEG, PNG, WebP, AVIF, SVG, or short films as MP4 or WebM.
pictures-view-let-go-add-pictures = Let go to add the pictures

## sendPicture
send-picture-browser-cant-show-take = This browser can't show it. Take an MP4 or WebM film.
send-picture-damaged = It is damaged.

## usePictures
pictures-pictures = Pictures
