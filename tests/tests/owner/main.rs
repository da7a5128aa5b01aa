//! What an owner does, in a real browser: a file per job.
#![allow(clippy::unwrap_used)]

mod accessible;
mod arranges;
mod begins_a_page;
mod begins_a_type;
mod by_keyboard;
mod chooses_colours;
mod composes_a_card;
mod composes_a_page;
mod does_the_jobs;
mod fills_in_the_slip;
mod fills_the_grid;
mod finds_among_many;
mod finds_their_way;
mod goes_anywhere;
mod goes_back;
mod in_every_state;
mod joins_siblings;
mod keeps_a_band;
mod keeps_some_different;
mod looks_before_publishing;
mod makes_a_listing;
mod makes_swatches;
mod publishes;
mod puts_in_pictures;
mod sets_every_text;
mod sets_prices;
mod sets_the_tone;
mod takes_back;
mod tells_of_a_product;
mod tidies_options;
mod two_owners;
mod types_while_answers_come;
mod works_offline;
mod writes;
