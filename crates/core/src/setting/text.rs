//! How a text of a piece is set: its family, size, weight and so on. A piece names the texts that it holds, and each of
//! them has these properties, on pieces and in the house style alike.

use super::{Choice, Group, Preset, Setting, Shape, choice};

choice! {
    /// One of the house style's ways to set a text.
    Look {
        Own = "own", "As it is"; Fine = "fine", "Fine print"; Body = "body", "Body"; Lead = "lead", "Lead";
        Subheading = "subheading", "Subheading"; Heading = "heading", "Heading";
    }
}
choice! {
    /// Upright or not.
    Slope { Upright = "upright", "Upright"; Italic = "italic", "Italic"; }
}
choice! {
    /// In which letters it is set.
    Case {
        Written = "written", "As written"; Capitals = "capitals", "Capitals"; SmallCapitals = "small_capitals", "Small capitals";
        Small = "small", "Small letters";
    }
}
choice! {
    /// To which side its lines keep.
    TextAlign { Piece = "piece", "As its piece"; Start = "start", "Left"; Centre = "centre", "Centre"; End = "end", "Right"; }
}

/// Colours by what they are in the house style, with the words that an owner reads; the first is what a text has by
/// itself.
const PAINTS: &[(&str, &str)] = &[
    ("own", "Its own"),
    ("piece", "As its piece"),
    ("ink", "Ink"),
    ("soft", "Soft ink"),
    ("accent", "Accent"),
    ("signal", "Signal"),
    ("paper", "Paper"),
    ("on_dark", "Words on dark"),
];
/// The colours that a text can have, by what they are in the house style. Some have one by themselves: that of their
/// button, field or mark.
pub fn paints(own: bool) -> impl Iterator<Item = (&'static str, &'static str)> {
    PAINTS.iter().skip(usize::from(!own)).copied()
}
/// Whether a look can be called so in documents: one that ships, or one of those that an owner keeps, `kept-3`.
#[must_use]
pub fn is_look(name: &str) -> bool {
    let kept = |rest: &str| {
        rest.parse::<u8>().is_ok_and(|place| (1..=12).contains(&place) && rest == place.to_string())
    };
    Look::from_name(name).is_some() || name.strip_prefix("kept-").is_some_and(kept)
}
/// The weight 0 is the house style's own for headings or buttons.
pub const WEIGHTS: &[(i64, &str)] = &[
    (0, "The house's"),
    (300, "Light 300"),
    (400, "Regular 400"),
    (500, "Medium 500"),
    (600, "Semi-bold 600"),
    (700, "Bold 700"),
    (800, "Extra bold 800"),
    (900, "Black 900"),
];
/// The least size in pixels that a text may have of its own; a smaller number is a step of the house style's scale.
pub const LEAST_SIZE: i64 = 10;
/// The largest one.
pub const MOST_SIZE: i64 = 120;

/// A text that a piece holds.
#[derive(Debug, PartialEq, Eq)]
pub struct Text {
    /// The kind of piece that holds it, as documents name it.
    pub of: &'static str,
    /// Its name in documents.
    pub key: &'static str,
    /// What an owner reads.
    pub label: &'static str,
    /// The look in which it ships.
    pub look: &'static str,
    /// Its size on wide screens, where the look doesn't say it: a step, or pixels from [`LEAST_SIZE`] on.
    pub size: Option<i64>,
    /// Its size on phones, where that differs.
    pub phone_size: Option<i64>,
    /// By which name documents know its size, where that isn't made from the text's own.
    pub size_key: Option<&'static str>,
    /// Its weight, where the look doesn't say it.
    pub weight: Option<i64>,
    /// The height of its lines in percent of its size.
    pub line: i64,
    /// Space between letters in percent of its size.
    pub spacing: i64,
    /// Its colour, one of [`PAINTS`].
    pub colour: &'static str,
    /// Whether it stands in lines of its own, which can keep to a side.
    pub block: bool,
    /// The colour of the house style on which it stands, where that isn't its piece's ground.
    pub ground: Option<&'static Setting>,
}

impl Text {
    /// A text of a kind of piece, set as the body of the page is.
    pub const fn new(of: &'static str, key: &'static str, label: &'static str) -> Self {
        Self {
            of,
            key,
            label,
            look: "body",
            size: None,
            phone_size: None,
            size_key: None,
            weight: None,
            line: 150,
            spacing: 0,
            colour: "piece",
            block: false,
            ground: None,
        }
    }
    /// A heading.
    #[must_use]
    pub const fn heading(self) -> Self {
        Self { look: "heading", line: 112, spacing: -1, block: true, ..self }
    }
    /// Fine print in soft ink.
    #[must_use]
    pub const fn fine(self) -> Self {
        Self { look: "fine", colour: "soft", ..self }
    }
    /// The words of a button.
    #[must_use]
    pub const fn button(self, ground: &'static Setting) -> Self {
        Self { size: Some(16), weight: Some(0), line: 140, colour: "own", ground: Some(ground), ..self }
    }
    /// On a ground of its own.
    #[must_use]
    pub const fn on(self, ground: &'static Setting) -> Self {
        Self { ground: Some(ground), ..self }
    }
    /// In a look.
    #[must_use]
    pub const fn look(self, look: &'static str) -> Self {
        Self { look, ..self }
    }
    /// So large: a step, or pixels from [`LEAST_SIZE`] on.
    #[must_use]
    pub const fn size(self, size: i64) -> Self {
        Self { size: Some(size), ..self }
    }
    /// Of its own size on phones.
    #[must_use]
    pub const fn on_phones(self, size: i64) -> Self {
        Self { phone_size: Some(size), ..self }
    }
    /// Whose size documents know by this name.
    #[must_use]
    pub const fn sized_by(self, key: &'static str) -> Self {
        Self { size_key: Some(key), ..self }
    }
    /// So bold.
    #[must_use]
    pub const fn weight(self, weight: i64) -> Self {
        Self { weight: Some(weight), ..self }
    }
    /// With lines so high.
    #[must_use]
    pub const fn line(self, line: i64) -> Self {
        Self { line, ..self }
    }
    /// In a colour of the house style.
    #[must_use]
    pub const fn colour(self, colour: &'static str) -> Self {
        Self { colour, ..self }
    }
    /// In lines of its own.
    #[must_use]
    pub const fn block(self) -> Self {
        Self { block: true, ..self }
    }

    /// The properties that it has.
    pub fn properties(&self) -> impl Iterator<Item = Property> + '_ {
        // A look has none of its own.
        let has = move |property: &Property| match property {
            Property::Align => self.block,
            Property::Look => self.of != "look",
            _ => true,
        };
        Property::ALL.into_iter().filter(has)
    }
    /// The name of a property in the documents of pieces: `now.weight`.
    #[must_use]
    pub fn key_of(&self, property: Property) -> String {
        match (property, self.size_key) {
            (Property::Size, Some(key)) => key.to_owned(),
            _ => format!("{}.{}", self.key, property.name()),
        }
    }
    /// Its name in the house style: `price.now`.
    #[must_use]
    pub fn name(&self) -> String {
        format!("{}.{}", self.of, self.key)
    }
    /// A property as a setting of the piece.
    #[must_use]
    pub fn setting(&'static self, property: Property) -> Setting {
        let (wide, phone) = self.shipped(property);
        let mut setting = Setting::new("", property.label(), Group::Texts, self.shape(property), wide, true)
            .unit(property.unit());
        setting.key = self.key_of(property).leak();
        setting.part = Some(self.label);
        setting.phone = phone;
        setting.text = Some((self, property));
        setting
    }
    /// What values a property takes.
    fn shape(&self, property: Property) -> Shape {
        match property {
            Property::Look => Shape::Look,
            Property::Family => Shape::Family,
            Property::Size => Shape::TextSize,
            Property::Weight => Shape::Steps(WEIGHTS),
            Property::Slope => Shape::Choice(Slope::NAMES),
            Property::Line => Shape::Number { least: 80, most: 250 },
            Property::Spacing => Shape::Number { least: -10, most: 50 },
            Property::Case => Shape::Choice(Case::NAMES),
            Property::Colour => Shape::Paint { own: self.colour == "own" },
            Property::Align => Shape::Choice(TextAlign::NAMES),
        }
    }
    /// What a property ships as; a look may say otherwise.
    fn shipped(&self, property: Property) -> (Preset, Option<Preset>) {
        let text = |text| (Preset::Text(text), None);
        match property {
            Property::Look => text(self.look),
            Property::Family => text("text"),
            Property::Size => (Preset::Number(self.size.unwrap_or(1)), self.phone_size.map(Preset::Number)),
            Property::Weight => (Preset::Number(self.weight.unwrap_or(400)), None),
            Property::Slope => text("upright"),
            Property::Line => (Preset::Number(self.line), None),
            Property::Spacing => (Preset::Number(self.spacing), None),
            Property::Case => text("written"),
            Property::Colour => text(self.colour),
            Property::Align => text("piece"),
        }
    }
    /// Whether the text itself says what a property ships as, rather than its look.
    #[must_use]
    pub fn says(&self, property: Property) -> bool {
        match property {
            Property::Size => self.size.is_some(),
            Property::Weight => self.weight.is_some(),
            Property::Family => false,
            _ => true,
        }
    }
}

/// What can be set of a text.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub enum Property {
    /// The look that gives it what isn't set apart.
    Look,
    /// Its family of letters.
    Family,
    /// Its size.
    Size,
    /// How bold it is.
    Weight,
    /// Upright or italic.
    Slope,
    /// The height of its lines.
    Line,
    /// Space between its letters.
    Spacing,
    /// Capitals or not.
    Case,
    /// Its colour.
    Colour,
    /// To which side it keeps.
    Align,
}

impl Property {
    /// All of them, in the order in which the slip shows them.
    pub const ALL: [Self; 10] = [
        Self::Look,
        Self::Family,
        Self::Size,
        Self::Weight,
        Self::Slope,
        Self::Line,
        Self::Spacing,
        Self::Case,
        Self::Colour,
        Self::Align,
    ];
    /// Its name in documents.
    #[must_use]
    pub fn name(self) -> &'static str {
        match self {
            Self::Look => "look",
            Self::Family => "family",
            Self::Size => "size",
            Self::Weight => "weight",
            Self::Slope => "slope",
            Self::Line => "line",
            Self::Spacing => "spacing",
            Self::Case => "case",
            Self::Colour => "colour",
            Self::Align => "align",
        }
    }
    /// What an owner reads.
    #[must_use]
    pub fn label(self) -> &'static str {
        match self {
            Self::Look => "Look",
            Self::Family => "Family",
            Self::Size => "Size",
            Self::Weight => "Weight",
            Self::Slope => "Slope",
            Self::Line => "Line height",
            Self::Spacing => "Letter spacing",
            Self::Case => "Letters",
            Self::Colour => "Colour",
            Self::Align => "Align",
        }
    }
    fn unit(self) -> &'static str {
        if matches!(self, Self::Line | Self::Spacing) { "%" } else { "" }
    }
}
