//! Text in places where the templates of pages don’t escape it by themselves.

/// A path and query as the value of a query.
pub(crate) fn encoded(text: &str) -> String {
    let plain = |b: u8| b.is_ascii_alphanumeric() || b"-_.~/".contains(&b);
    text.bytes().map(|b| if plain(b) { char::from(b).to_string() } else { format!("%{b:02X}") }).collect()
}

/// JSON that may stand inside a `script` element: no `<`, `>` or `&` can end it.
pub(crate) fn json_for_script(json: &str) -> String {
    json.replace('<', "\\u003c").replace('>', "\\u003e").replace('&', "\\u0026")
}
