//! The gallery: which pictures, how large, which part of each, and what that makes a browser load.
#![allow(clippy::unwrap_used)]

mod shop;

use compagina_core::media::{FilmFile, Focus, Picture, PictureSize};
use compagina_core::page::Kind;
use compagina_press::{Bytes, Weight, weigh};
use shop::bench::Bench;

fn weight(bench: &Bench) -> Weight {
    bench.with(weigh).unwrap()
}

/// A picture of this shape in these widths; a byte for each pixel of its width.
fn picture(width: u32, height: u32, widths: &[u32]) -> Picture {
    let size = |w: &u32| PictureSize {
        hash: format!("p{width}-{w}"),
        width: *w,
        height: w * height / width,
        bytes: *w,
    };
    Picture { sizes: widths.iter().map(size).collect(), alt: "A kite".into(), ..Picture::default() }
}

/// A kite with these pictures alone.
fn with_pictures(pictures: Vec<Picture>) -> Bench {
    let mut bench = Bench::new();
    bench.product.pictures = pictures;
    bench
}

/// The `sizes` of the first large picture on phones, tablets, from where the page is at its widest, and below that.
fn sizes(bench: &Bench) -> Vec<String> {
    let html = bench.piece("k-gallery");
    let (_, rest) = html.split_once("sizes=\"").unwrap();
    rest.split('"').next().unwrap().split(", ").map(str::to_owned).collect()
}

#[test]
fn the_gallery_shows_the_chosen_colours_pictures_first_and_hides_the_others() {
    let gallery = Bench::new().choosing("colour=chalk&sail=1-6-m").piece("k-gallery");
    let first = gallery.find("in Chalk, flying").unwrap();
    // The slide of the picture with these words.
    let slide = |text: &str| {
        let mut slides = gallery.split("<div class=\"slide\"").skip(1);
        slides.find(|slide| slide.split("<ul").next().unwrap().contains(text)).unwrap()
    };
    let shown = |text: &str| !slide(text).split('>').next().unwrap().contains(" hidden");
    assert!(first < gallery.find("in Ember, flying").unwrap());
    assert!(shown("in Chalk, flying") && shown("rolled up in its sleeve") && !shown("in Ember, flying"));
    let all = Bench::new().set(Kind::Gallery, "follow", "all").piece("k-gallery");
    let (_, slides) = all.split_once("class=\"run\"").unwrap();
    assert!(!slides.split("<p class=\"marks\"").next().unwrap().contains(" hidden"));
    assert!(all.contains("data-follow=\"all\""));
}

#[test]
fn with_one_picture_to_show_there_is_nothing_to_go_on_to_though_other_choices_have_theirs() {
    let is_lone = |bench: &Bench| bench.piece("k-gallery").contains("class=\"gallery lone\"");
    let mut of_each = with_pictures(vec![picture(1, 1, &[320, 720]), picture(1, 1, &[320, 720])]);
    assert!(!is_lone(&of_each));
    for (place, picture) in of_each.product.pictures.iter_mut().enumerate() {
        picture.values = vec![of_each.product.options[0].values[place].id];
    }
    assert!(is_lone(&of_each), "one belongs to the choice, the other to another");
    let html = of_each.piece("k-gallery");
    assert!(
        html.contains("class=\"arrows\"") && html.contains("class=\"thumbs\""),
        "another choice may show more"
    );
    of_each.product.pictures[1].values = vec![];
    assert!(!is_lone(&of_each));
}

#[test]
fn a_picture_is_as_wide_as_its_column_less_the_thumbnails_beside_it() {
    let square = || with_pictures(vec![picture(1, 1, &[320, 720]), picture(1, 1, &[320, 720])]);
    // Of 1200 pixels 44 are between the columns; of the rest 7 of 12 parts, less 11 % and 12 pixels.
    let beside = sizes(&square());
    assert_eq!(beside[2], "(min-width:1248px) 589px");
    let under = sizes(&square().set(Kind::Gallery, "thumbnails", "under"));
    assert_eq!(under[2], "(min-width:1248px) 675px");
    let half = sizes(&square().set(Kind::Gallery, "thumbnails", "under").set(Kind::Gallery, "share", 50));
    assert_eq!(half[2], "(min-width:1248px) 338px");
    let one = sizes(&with_pictures(vec![picture(1, 1, &[320])]));
    assert_eq!(one[2], "(min-width:1248px) 675px", "one picture has no thumbnails beside it");
}

#[test]
fn of_a_cropped_picture_more_is_drawn_than_is_seen_and_of_a_whole_one_all() {
    let broad = || with_pictures(vec![picture(1600, 600, &[1600])]);
    // 675 pixels high, so 1800 wide.
    assert_eq!(sizes(&broad())[2], "(min-width:1248px) 1799px");
    assert_eq!(sizes(&broad().set(Kind::Gallery, "fit", "whole"))[2], "(min-width:1248px) 675px");
    let tall = || with_pictures(vec![picture(600, 1200, &[600])]);
    assert_eq!(sizes(&tall())[2], "(min-width:1248px) 675px");
    assert_eq!(sizes(&tall().set(Kind::Gallery, "fit", "whole"))[2], "(min-width:1248px) 338px");
    let mut cut_out = broad();
    cut_out.product.pictures[0].cut_out = true;
    assert_eq!(sizes(&cut_out)[2], "(min-width:1248px) 675px", "what was cut out is never cropped");
}

#[test]
fn a_picture_is_cropped_around_its_point_for_every_frame() {
    let mut broad = with_pictures(vec![picture(1600, 600, &[1600])]);
    assert!(!broad.piece("k-gallery").contains("--at-wide"), "the middle needs no telling");
    broad.product.pictures[0].focus = Focus { x: 700, y: 400 };
    let drawn = broad.piece("k-gallery");
    // 600 of 1600 are seen in a square, 800 in 4 : 3.
    assert!(drawn.contains("--at-wide:82.0% 50.0%") && drawn.contains("--at-phone:90.0% 50.0%"), "{drawn}");
}

#[test]
fn what_a_page_loads_is_known_before_it_is_published() {
    let three = || with_pictures((0..3).map(|_| picture(1, 1, &[96, 144, 320, 720, 1600])).collect());
    let Weight { wide, phone, too_small } = weight(&three());
    // Wide: 589 of one large one, three small ones of 75. Phone at two dots: 358 in 4 : 3, small ones of 53.
    assert_eq!(wide, Bytes { first: 720 + 3 * 96, all: 3 * (720 + 96) });
    assert_eq!(phone, Bytes { first: 720 + 3 * 144, all: 3 * (720 + 144) });
    assert_eq!(too_small, []);
    let dots = weight(&three().set(Kind::Gallery, "thumbnails", "dots"));
    assert_eq!(dots.wide, Bytes { first: 720, all: 3 * 720 });
    let stack = weight(&three().set(Kind::Gallery, "form", "stack"));
    assert_eq!(stack.wide, Bytes { first: 2 * 720, all: 3 * 720 });
}

#[test]
fn too_few_pixels_for_the_frame_or_for_a_near_look_are_told() {
    let small = with_pictures(vec![picture(1, 1, &[320, 500]), picture(1, 1, &[1600])]);
    let found = weight(&small).too_small;
    assert_eq!(found.len(), 1);
    assert_eq!((found[0].picture, found[0].has, found[0].needs, found[0].for_zoom), (0, 500, 716, false));
    let near =
        weight(&with_pictures(vec![picture(1, 1, &[720])]).set(Kind::Gallery, "zoom", "lens")).too_small;
    assert_eq!((near[0].needs, near[0].for_zoom), (675 * 150 / 100, true));
}

#[test]
fn the_first_picture_is_preloaded_and_a_film_first_is_its_poster() {
    let mut bench = with_pictures(vec![picture(1, 1, &[320, 720]), picture(4, 3, &[480])]);
    let html = bench.html();
    let (head, _) = html.split_once("</head>").unwrap();
    assert!(head.contains("rel=\"preload\"") && head.contains("/media/p1-320 320w"));
    assert_eq!(
        html.matches("loading=\"lazy\"").count(),
        html.matches("<img").count() - 1,
        "all but the first wait"
    );
    bench.product.pictures[1].film = Some(FilmFile { hash: "film".into(), width: 640, height: 480 });
    let first =
        |bench: &Bench| bench.piece("k-gallery").find("<video") < bench.piece("k-gallery").find("<img");
    assert!(!first(&bench));
    let bench = bench.set(Kind::Gallery, "film_first", true);
    assert!(first(&bench) && bench.html().contains("href=\"/media/p4-480\""));
    let film = bench.piece("k-gallery");
    assert!(film.contains("controls") && film.contains("preload=\"none\"") && !film.contains("muted"));
    let starts = bench.set(Kind::Gallery, "film_starts", true).set(Kind::Gallery, "film_controls", false);
    let film = starts.piece("k-gallery");
    assert!(film.contains("muted") && film.contains("data-starts") && !film.contains(" controls"));
}
