//! Why pictures aren’t taken, or can’t be made.

/// Why a file isn't taken.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum Refusal {
    #[error("It is empty")]
    Empty,
    #[error("It is no picture that we can read. Take a JPEG, PNG, WebP, AVIF or SVG, or an MP4 or WebM film")]
    Unknown,
    #[error("It is named as a {named} but is a {is}. Name it as what it is, or save it anew")]
    Mislabelled { named: &'static str, is: &'static str },
    #[error(
        "It is {width} x {height} pixels. We take up to 60 million pixels, and 16,000 on a side; save it smaller"
    )]
    TooLarge { width: u32, height: u32 },
    #[error("It holds {what}, which could act on a shopper's screen. Save it without")]
    Active { what: &'static str },
    #[error(
        "As a drawing it has more than {megabytes} MB, more than can be drawn in good time. Save it simpler, or as a PNG"
    )]
    LongDrawing { megabytes: usize },
    #[error(
        "It would be drawn {width} x {height} pixels. We draw up to 8 million; give it another shape, or save it as a PNG"
    )]
    LongShape { width: u32, height: u32 },
    #[error("It takes too long or too much memory to draw. Save it simpler, or as a PNG")]
    HardToDraw,
    #[error("It is damaged: {0}")]
    Damaged(String),
}

/// Why a picture can’t be made.
#[derive(Debug, thiserror::Error)]
pub enum PictureError {
    #[error(transparent)]
    Refused(#[from] Refusal),
    #[error("the picture can't be resized: {0}")]
    Resize(String),
    #[error("the picture can't be encoded")]
    Encode,
}
