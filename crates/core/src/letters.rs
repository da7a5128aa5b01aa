//! Names as people mean them: capitals, accents, spaces, underscores and signs don't matter.

/// Small words of plain letters and digits: *Crème brûlée* is *creme*, *brulee*.
#[must_use]
pub fn words_of(text: &str) -> Vec<String> {
    let folded = deunicode::deunicode(text).to_lowercase();
    folded.split(|c: char| !c.is_alphanumeric()).filter(|w| !w.is_empty()).map(str::to_owned).collect()
}

/// The words without anything between them: *cremebrulee*.
#[must_use]
pub fn folded(text: &str) -> String {
    words_of(text).concat()
}

/// A file's name without its folder and its ending.
#[must_use]
pub fn stem_of(file: &str) -> &str {
    let name = file.rsplit(['/', '\\']).next().unwrap_or(file);
    name.rsplit_once('.').map_or(name, |(stem, _)| stem)
}
