//! What the demo's buyers say. All of it is invented.

use crate::DemoProduct;
use compagina_core::catalog::Review;

type Said = (u8, &'static str, &'static str, &'static str);

const OF_WHIMBREL: &[Said] = &[
    (
        5,
        "Took off first go",
        "Took off first go and has not stopped since. My daughter steers it better than I do.",
        "Hester, Cromer",
    ),
    (
        4,
        "Takes a crash",
        "Three hard landings on shingle and one bent ferrule, which they sent by return. The straps are a little short.",
        "Tom R.",
    ),
    (
        5,
        "Quiet and honest",
        "Does what it says in winds where I leave the bigger ones at home.",
        "M. Ostrander",
    ),
    (5, "", "Bought a second one so that we stop arguing.", "The Penroses"),
    (
        3,
        "Wants real wind",
        "Lovely sewing, but under ten kilometres an hour the 1.6 just sits there. Take the larger sail inland.",
        "Ida",
    ),
    (5, "Twelve years on", "Our old one is twelve years on and they still had the spar.", "G. Tuke"),
    (4, "Good first kite", "A good first two-liner. The flying card is worth framing.", "Piet"),
    (5, "Colours hold", "After a summer on the beach the red is still red.", "Annis"),
    (
        2,
        "Line came tangled",
        "The kite is fine, the lines took an evening. They apologised and sent a winder.",
        "Rob H.",
    ),
    (5, "Present for a grown man", "He is sixty-one and was out until dark.", "Lotte"),
    (4, "", "Well packed, quickly here, easy to rig.", "S. Ward"),
    (5, "Worth the wait", "Ordered in the gale week; it came on the first calm day.", "Bryony"),
];

const OF_OTHERS: &[Said] = &[
    (5, "Just right", "Just what we hoped for, and the parcel smelt of the workshop.", "Edda"),
    (4, "Good", "Good work. I would have liked it a little bigger.", "Owen P."),
    (5, "", "Second one in two years, for the other child.", "Maren"),
    (4, "Friendly people", "They rang me to ask which wind I fly in before they sent it.", "Col"),
    (3, "Fine", "Fine, though the bag is tight in cold weather.", "R. Abbott"),
];

/// How many each product has; the demo's best known one has many.
const COUNTS: &[(&str, usize)] = &[
    ("whimbrel", 37),
    ("whimbrel-mini", 6),
    ("dunlin", 4),
    ("plover", 5),
    ("braided-line", 3),
    ("sew-your-first-kite", 2),
];

/// Gives products their reviews, newest first. Older ones than there are words for have stars only.
pub(crate) fn fill(products: &mut [DemoProduct]) {
    for made in products {
        let handle = made.product.handle.as_str();
        let count = COUNTS.iter().find(|(known, _)| *known == handle).map_or(0, |(_, count)| *count);
        let said = if handle == "whimbrel" { OF_WHIMBREL } else { OF_OTHERS };
        let review = |place: usize| {
            let (stars, title, text, who) = said[place % said.len()];
            let words = |words: &str| if place < said.len() { words.to_owned() } else { String::new() };
            Review { stars, title: words(title), text: words(text), who: who.to_owned(), day: day(place) }
        };
        made.product.reviews = (0..count).map(review).collect();
    }
}

/// Ten days apart, going back from the middle of November 2026; every month taken as 28 days long.
fn day(place: usize) -> String {
    let back = 14 + place * 10;
    let months = 2026 * 12 + 10 - back / 28;
    format!("{}-{:02}-{:02}", months / 12, months % 12 + 1, 28 - back % 28)
}
