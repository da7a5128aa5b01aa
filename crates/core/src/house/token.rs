//! What can be set in the house style.

use super::looks::{ButtonsAs, GAPS, Label, Mark, Names, RING_WIDTHS, RadiosAs, Ring, SIZES, SwatchShape};
use crate::setting::{Choice, Font, Group, Setting};

const WEIGHTS: &[(i64, &str)] = &[(400, "400"), (500, "500"), (600, "600"), (700, "700"), (800, "800")];

const fn pixels(
    key: &'static str,
    label: &'static str,
    least: i64,
    most: i64,
    house: i64,
    group: Group,
) -> Setting {
    Setting::number(key, label, least, most, house).everywhere().among(group)
}
const fn size(key: &'static str, label: &'static str, house: i64) -> Setting {
    Setting::type_size(key, label, house).everywhere().among(Group::Type)
}
const fn colour(key: &'static str, label: &'static str, house: &'static str, group: Group) -> Setting {
    Setting::colour(key, label, house).among(group)
}
const fn font(key: &'static str, label: &'static str, house: &'static str) -> Setting {
    let _ = <Font as Choice>::NAMES;
    Setting::choice::<Font>(key, label, house).everywhere().among(Group::Type)
}

/// *Headings*.
pub const HEADING_FONT: Setting = font("heading_font", "Headings", "serif");
/// *Text*.
pub const TEXT_FONT: Setting = font("text_font", "Text", "sans");
/// *Weight of headings*.
pub const HEADING_WEIGHT: Setting =
    Setting::steps("heading_weight", "Weight of headings", WEIGHTS, 600).everywhere().among(Group::Type);
/// Letters, from fine print to headings.
pub const TYPE: [Setting; 8] = [
    pixels("type_0", "Step 0", 10, 24, 14, Group::Type),
    pixels("type_1", "Step 1", 12, 28, 16, Group::Type),
    pixels("type_2", "Step 2", 12, 32, 18, Group::Type),
    pixels("type_3", "Step 3", 14, 40, 20, Group::Type),
    pixels("type_4", "Step 4", 14, 48, 24, Group::Type),
    pixels("type_5", "Step 5", 16, 64, 30, Group::Type),
    pixels("type_6", "Step 6", 18, 80, 38, Group::Type),
    pixels("type_7", "Step 7", 20, 96, 48, Group::Type),
];
/// *Fine print*.
pub const FINE_SIZE: Setting = size("fine_size", "Fine print", 0);
/// *Body*.
pub const BODY_SIZE: Setting = size("body_size", "Body", 1);
/// *Lead*.
pub const LEAD_SIZE: Setting = size("lead_size", "Lead", 3);
/// *Subheading*.
pub const SUBHEADING_SIZE: Setting = size("subheading_size", "Subheading", 3);
/// *Heading*.
pub const HEADING_SIZE: Setting = size("heading_size", "Heading", 4);

/// *Paper*.
pub const PAPER: Setting = colour("paper", "Paper", "#FFFFFF", Group::Colours);
/// *Ink*.
pub const INK: Setting = colour("ink", "Ink", "#1D2A32", Group::Colours);
/// *Soft ink*.
pub const SOFT: Setting = colour("soft", "Soft ink", "#56636A", Group::Colours);
/// *Tint*.
pub const TINT: Setting = colour("tint", "Tint", "#F3EFE6", Group::Colours);
/// *Hairlines*.
pub const LINE: Setting = colour("line", "Hairlines", "#DDD8CD", Group::Colours);
/// *Accent*.
pub const ACCENT: Setting = colour("accent", "Accent", "#0D6A6E", Group::Colours);
/// *Signal*.
pub const SIGNAL: Setting = colour("signal", "Signal", "#B8420F", Group::Colours);
/// *Dark ground*.
pub const DARK: Setting = colour("dark", "Dark ground", "#1D2A32", Group::Colours);
/// *Words on dark*.
pub const ON_DARK: Setting = colour("on_dark", "Words on dark", "#FDFBF6", Group::Colours);

/// Room, from the smallest step on.
pub const SPACE: [Setting; 9] = [
    pixels("space_0", "Step 0", 0, 8, 0, Group::Space),
    pixels("space_1", "Step 1", 0, 16, 4, Group::Space),
    pixels("space_2", "Step 2", 0, 24, 8, Group::Space),
    pixels("space_3", "Step 3", 4, 40, 16, Group::Space),
    pixels("space_4", "Step 4", 8, 56, 24, Group::Space),
    pixels("space_5", "Step 5", 8, 80, 32, Group::Space),
    pixels("space_6", "Step 6", 16, 96, 44, Group::Space),
    pixels("space_7", "Step 7", 16, 128, 64, Group::Space),
    pixels("space_8", "Step 8", 24, 200, 96, Group::Space),
];
/// *Width of the page*.
pub const PAGE_WIDTH: Setting = pixels("page_width", "Width of the page", 800, 1600, 1200, Group::Space);
/// *Corners*.
pub const CORNER: Setting = pixels("corner", "Corners", 0, 32, 6, Group::Space);
/// *Small corners*.
pub const CORNER_SMALL: Setting = pixels("corner_small", "Small corners", 0, 16, 4, Group::Space);
/// *Large corners*.
pub const CORNER_LARGE: Setting = pixels("corner_large", "Large corners", 0, 48, 16, Group::Space);

/// *Height*.
pub const BUTTON_HEIGHT: Setting = pixels("button_height", "Height", 36, 72, 48, Group::Buttons);
/// *Corners*.
pub const BUTTON_CORNER: Setting = pixels("button_corner", "Corners", 0, 36, 6, Group::Buttons);
/// *Weight*.
pub const BUTTON_WEIGHT: Setting =
    Setting::steps("button_weight", "Weight", WEIGHTS, 600).everywhere().among(Group::Buttons);
/// *Idle*.
pub const BUTTON_IDLE: Setting = colour("button_idle", "Idle", "#1D2A32", Group::Buttons);
/// *Words, idle*.
pub const BUTTON_IDLE_WORDS: Setting = colour("button_idle_words", "Words, idle", "#FFFFFF", Group::Buttons);
/// *Under the pointer*.
pub const BUTTON_HOVER: Setting = colour("button_hover", "Under the pointer", "#34444E", Group::Buttons);
/// *Words under the pointer*.
pub const BUTTON_HOVER_WORDS: Setting =
    colour("button_hover_words", "Words, pointer", "#FFFFFF", Group::Buttons);
/// *Pressed*.
pub const BUTTON_PRESSED: Setting = colour("button_pressed", "Pressed", "#10191E", Group::Buttons);
/// *Words, pressed*.
pub const BUTTON_PRESSED_WORDS: Setting =
    colour("button_pressed_words", "Words, pressed", "#FFFFFF", Group::Buttons);
/// *Out of use*.
pub const BUTTON_DISABLED: Setting = colour("button_disabled", "Out of use", "#E4E0D6", Group::Buttons);
/// *Words, out of use*.
pub const BUTTON_DISABLED_WORDS: Setting =
    colour("button_disabled_words", "Words, out of use", "#555D61", Group::Buttons);

/// *Ground*.
pub const FIELD_GROUND: Setting = colour("field_ground", "Ground", "#FFFFFF", Group::Fields);
/// *Words*.
pub const FIELD_WORDS: Setting = colour("field_words", "Words", "#1D2A32", Group::Fields);
/// *Border*.
pub const FIELD_BORDER: Setting = colour("field_border", "Border", "#858A87", Group::Fields);
/// *Corners*.
pub const FIELD_CORNER: Setting = pixels("field_corner", "Corners", 0, 24, 6, Group::Fields);

const fn look<T: Choice>(key: &'static str, label: &'static str, house: &'static str) -> Setting {
    Setting::choice::<T>(key, label, house).everywhere().among(Group::Choices)
}
/// *Shape of swatches*.
pub const CHOICE_SHAPE: Setting = look::<SwatchShape>("choice_shape", "Shape of swatches", "round");
/// *Size*.
pub const CHOICE_SIZE: Setting =
    Setting::steps("choice_size", "Size", SIZES, 36).everywhere().among(Group::Choices);
/// *Between them*.
pub const CHOICE_GAP: Setting =
    Setting::steps("choice_gap", "Between them", GAPS, 10).everywhere().among(Group::Choices);
/// *Name*.
pub const CHOICE_NAMES: Setting = look::<Names>("choice_names", "Name", "hover");
/// *Larger on hover*.
pub const CHOICE_ENLARGE: Setting =
    Setting::flag("choice_enlarge", "Larger on hover", false).everywhere().among(Group::Choices);
/// *Ring, idle*.
pub const CHOICE_RING: Setting = look::<Ring>("choice_ring", "Ring, idle", "edge");
/// *Ring's width, chosen*.
pub const CHOICE_RING_WIDTH: Setting =
    Setting::steps("choice_ring_width", "Ring's width, chosen", RING_WIDTHS, 2)
        .everywhere()
        .among(Group::Choices);
/// *Colour of the idle ring*.
pub const CHOICE_RING_IDLE: Setting =
    colour("choice_ring_idle", "Ring's colour, idle", "#C9C4B8", Group::Choices);
/// *Colour of the ring under the pointer*.
pub const CHOICE_RING_HOVER: Setting =
    colour("choice_ring_hover", "Ring, under the pointer", "#56636A", Group::Choices);
/// *Colour of the chosen ring*.
pub const CHOICE_RING_CHOSEN: Setting =
    colour("choice_ring_chosen", "Ring's colour, chosen", "#1D2A32", Group::Choices);
/// *Buttons*.
pub const CHOICE_BUTTONS: Setting = look::<ButtonsAs>("choice_buttons", "Buttons", "outlined");
/// *Radio lists*.
pub const CHOICE_RADIOS: Setting = look::<RadiosAs>("choice_radios", "Radio lists", "lines");
/// *Sold out*.
pub const CHOICE_SOLD_OUT: Setting = look::<Mark>("choice_sold_out", "Sold out", "struck");
/// *Not made*.
pub const CHOICE_NOT_MADE: Setting = look::<Mark>("choice_not_made", "Not made", "struck");
/// *Option's name*.
pub const CHOICE_LABEL: Setting = look::<Label>("choice_label", "Option's name", "above");
/// *Width beside*.
pub const CHOICE_LABEL_WIDTH: Setting =
    Setting::number("choice_label_width", "Width beside", 40, 240, 90).everywhere().among(Group::Choices);

/// *Corners*.
pub const MARK_CORNER: Setting = pixels("mark_corner", "Corners", 0, 16, 4, Group::Marks);
/// *Sale*.
pub const SALE: Setting = colour("sale", "Sale", "#B8420F", Group::Marks);
/// *Words, sale*.
pub const SALE_WORDS: Setting = colour("sale_words", "Words, sale", "#FFFFFF", Group::Marks);
/// *Sold out*.
pub const SOLD_OUT: Setting = colour("sold_out", "Sold out", "#56636A", Group::Marks);
/// *Words, sold out*.
pub const SOLD_OUT_WORDS: Setting = colour("sold_out_words", "Words, sold out", "#FFFFFF", Group::Marks);
/// *Coming soon*.
pub const COMING: Setting = colour("coming", "Coming soon", "#0D6A6E", Group::Marks);
/// *Words, coming soon*.
pub const COMING_WORDS: Setting = colour("coming_words", "Words, coming soon", "#FFFFFF", Group::Marks);

/// *Few left*.
pub const FEW: Setting = colour("few", "Few left", "#7A5200", Group::Marks);
/// *Words, few left*.
pub const FEW_WORDS: Setting = colour("few_words", "Words, few left", "#FFFFFF", Group::Marks);
/// 0 for no such mark.
pub const MARK_FEW: Setting =
    Setting::number("mark_few", "Few means up to", 0, 20, 3).everywhere().among(Group::Marks);

/// Every token, in the order in which an owner meets them.
pub(super) const TOKENS: &[&Setting] = &[
    &HEADING_FONT,
    &TEXT_FONT,
    &HEADING_WEIGHT,
    &HEADING_SIZE,
    &SUBHEADING_SIZE,
    &LEAD_SIZE,
    &BODY_SIZE,
    &FINE_SIZE,
    &TYPE[0],
    &TYPE[1],
    &TYPE[2],
    &TYPE[3],
    &TYPE[4],
    &TYPE[5],
    &TYPE[6],
    &TYPE[7],
    &PAPER,
    &INK,
    &SOFT,
    &TINT,
    &LINE,
    &ACCENT,
    &SIGNAL,
    &DARK,
    &ON_DARK,
    &SPACE[0],
    &SPACE[1],
    &SPACE[2],
    &SPACE[3],
    &SPACE[4],
    &SPACE[5],
    &SPACE[6],
    &SPACE[7],
    &SPACE[8],
    &PAGE_WIDTH,
    &CORNER,
    &CORNER_SMALL,
    &CORNER_LARGE,
    &BUTTON_HEIGHT,
    &BUTTON_CORNER,
    &BUTTON_WEIGHT,
    &BUTTON_IDLE,
    &BUTTON_IDLE_WORDS,
    &BUTTON_HOVER,
    &BUTTON_HOVER_WORDS,
    &BUTTON_PRESSED,
    &BUTTON_PRESSED_WORDS,
    &BUTTON_DISABLED,
    &BUTTON_DISABLED_WORDS,
    &FIELD_GROUND,
    &FIELD_WORDS,
    &FIELD_BORDER,
    &FIELD_CORNER,
    &CHOICE_SHAPE,
    &CHOICE_SIZE,
    &CHOICE_GAP,
    &CHOICE_NAMES,
    &CHOICE_ENLARGE,
    &CHOICE_RING,
    &CHOICE_RING_WIDTH,
    &CHOICE_RING_IDLE,
    &CHOICE_RING_HOVER,
    &CHOICE_RING_CHOSEN,
    &CHOICE_BUTTONS,
    &CHOICE_RADIOS,
    &CHOICE_SOLD_OUT,
    &CHOICE_NOT_MADE,
    &CHOICE_LABEL,
    &CHOICE_LABEL_WIDTH,
    &MARK_CORNER,
    &SALE,
    &SALE_WORDS,
    &SOLD_OUT,
    &SOLD_OUT_WORDS,
    &COMING,
    &COMING_WORDS,
    &FEW,
    &FEW_WORDS,
    &MARK_FEW,
];
