//! Pictures, each kept under the hash of its bytes behind the object store.

use actix_web::web::Bytes;
use object_store::local::LocalFileSystem;
use object_store::path::Path;
use object_store::{ObjectStore, ObjectStoreExt, PutPayload};
use std::sync::Arc;

pub struct Media {
    store: Arc<dyn ObjectStore>,
}

/// Whether a text can be the name of a picture: a SHA-256 in small hexadecimal digits.
pub fn is_hash(text: &str) -> bool {
    text.len() == 64 && text.bytes().all(|b| b.is_ascii_digit() || (b'a'..=b'f').contains(&b))
}

impl Media {
    pub fn open(folder: &std::path::Path) -> object_store::Result<Self> {
        let unusable =
            |source: std::io::Error| object_store::Error::Generic { store: "media", source: source.into() };
        std::fs::create_dir_all(folder).map_err(unusable)?;
        Ok(Self { store: Arc::new(LocalFileSystem::new_with_prefix(folder)?) })
    }

    pub async fn put(&self, hash: &str, bytes: Vec<u8>) -> object_store::Result<()> {
        self.store.put(&place(hash), PutPayload::from(bytes)).await.map(|_| ())
    }

    /// The bytes of a picture, where it is kept.
    pub async fn get(&self, hash: &str) -> object_store::Result<Option<Bytes>> {
        match self.store.get(&place(hash)).await {
            Ok(found) => Ok(Some(found.bytes().await?)),
            Err(object_store::Error::NotFound { .. }) => Ok(None),
            Err(error) => Err(error),
        }
    }

    /// A note beside the pictures, such as which drawing gave which files.
    pub async fn put_note(&self, name: &str, text: String) -> object_store::Result<()> {
        self.store.put(&Path::from(format!("notes/{name}")), PutPayload::from(text)).await.map(|_| ())
    }

    pub async fn note(&self, name: &str) -> Option<Bytes> {
        self.store.get(&Path::from(format!("notes/{name}"))).await.ok()?.bytes().await.ok()
    }
}

fn place(hash: &str) -> Path {
    Path::from(format!("{}/{hash}", &hash[..2.min(hash.len())]))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn only_a_hash_names_a_picture() {
        assert!(is_hash(&"0123456789abcdef".repeat(4)));
        for bad in
            ["", "../../etc/passwd", &"A".repeat(64), &"g".repeat(64), &"a".repeat(63), &"é".repeat(32)]
        {
            assert!(!is_hash(bad), "{bad}");
        }
    }

    #[actix_web::test]
    async fn what_was_put_is_there_and_what_was_not_is_nothing() {
        let folder = std::env::temp_dir().join(format!("compagina-media-{}", std::process::id()));
        let media = Media::open(&folder).unwrap();
        let hash = "ab".repeat(32);
        assert_eq!(media.get(&hash).await.unwrap(), None);
        media.put(&hash, b"picture".to_vec()).await.unwrap();
        assert_eq!(media.get(&hash).await.unwrap().unwrap(), Bytes::from_static(b"picture"));
        assert_eq!(media.note("drawing").await, None);
        media.put_note("drawing", "[]".into()).await.unwrap();
        assert_eq!(media.note("drawing").await.unwrap(), Bytes::from_static(b"[]"));
        std::fs::remove_dir_all(folder).unwrap();
    }
}
