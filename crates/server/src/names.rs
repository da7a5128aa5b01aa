//! Names and short texts as they are typed: one line, not too long, and all of it can be seen.

use crate::error::{ApiError, ApiResult};
use compagina_core::limits::is_unseen;

/// A text of one line of at most so many characters; it may be empty. `what` begins the sentence that refuses it.
pub fn one_line<'a>(what: &str, text: &'a str, most: usize) -> ApiResult<&'a str> {
    let text = text.trim();
    if text.chars().count() > most {
        return Err(ApiError::refused(format!("{what} has at most {most} characters")));
    }
    if text.chars().any(is_unseen) {
        let why = format!(
            "{what} is one line without signs that can't be seen; write it anew or paste it without them"
        );
        return Err(ApiError::refused(why));
    }
    Ok(text)
}

/// The same, and it isn't empty.
pub fn name<'a>(what: &str, text: &'a str, most: usize) -> ApiResult<&'a str> {
    match one_line(what, text, most)? {
        "" => Err(ApiError::refused(format!("{what} can't be empty"))),
        name => Ok(name),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_name_is_short_visible_and_not_empty() {
        assert_eq!(name("a name", "  Sport kites ", 20).unwrap(), "Sport kites");
        for bad in ["", "  ", "a\nb", "evil\u{202E}gpj.exe", "x\u{200B}y", &"x".repeat(21)] {
            assert!(name("a name", bad, 20).is_err(), "{bad:?}");
        }
        assert_eq!(one_line("a note", " ", 20).unwrap(), "");
    }
}
