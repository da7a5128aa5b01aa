//! Where what is kept under the hash of its bytes is found.

use base64::Engine;
use base64::engine::general_purpose::URL_SAFE_NO_PAD;

/// So many bytes of a hash tell a file from all others: sixteen letters in base64url.
const BYTES: usize = 12;

/// What names a file in addresses: the beginning of its hash in base64url (RFC 4648, 5). Whatever isn't a SHA-256 in
/// hexadecimal digits has none.
#[must_use]
pub fn file_name(hash: &str) -> Option<String> {
    if hash.len() != 64 || !hash.bytes().all(|digit| digit.is_ascii_hexdigit()) {
        return None;
    }
    let byte = |at: usize| u8::from_str_radix(&hash[2 * at..2 * at + 2], 16).ok();
    Some(URL_SAFE_NO_PAD.encode((0..BYTES).map(byte).collect::<Option<Vec<u8>>>()?))
}

/// Whether a text can be such a name.
#[must_use]
pub fn is_file_name(text: &str) -> bool {
    text.len() == 16 && URL_SAFE_NO_PAD.decode(text).is_ok()
}

/// The address of a file.
#[must_use]
pub fn address(hash: &str) -> String {
    format!("/media/{}", file_name(hash).as_deref().unwrap_or(hash))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_file_is_named_by_the_beginning_of_its_hash() {
        // The SHA-256 of nothing; the name by `openssl dgst -sha256 -binary /dev/null | head -c 12 | basenc --base64url`.
        let hash = "e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855";
        assert_eq!(file_name(hash).as_deref(), Some("47DEQpj8HBSa-_TI"));
        assert_eq!(address(hash), "/media/47DEQpj8HBSa-_TI");
        for bad in ["", &hash[..63], &"g".repeat(64), &"é".repeat(32)] {
            assert_eq!(file_name(bad), None, "{bad}");
        }
    }

    #[test]
    fn only_sixteen_letters_of_base64url_are_a_name() {
        assert!(is_file_name("47DEQpj8HBSa-_TI"));
        for bad in
            ["", "../../etc/passwd", "47DEQpj8HBSa+/TI", "47DEQpj8HBSa-_T", "47DEQpj8HBSa-_T=", "éééééééé"]
        {
            assert!(!is_file_name(bad), "{bad}");
        }
    }
}
