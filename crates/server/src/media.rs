//! Pictures, each kept under the hash of its bytes behind the object store.

use actix_web::web::Bytes;
use compagina_core::media::file_name;
use object_store::local::LocalFileSystem;
use object_store::path::Path;
use object_store::{ObjectStore, ObjectStoreExt, PutPayload};
use std::sync::Arc;

pub struct Media {
    store: Arc<dyn ObjectStore>,
}

impl Media {
    pub fn open(folder: &std::path::Path) -> object_store::Result<Self> {
        let unusable =
            |source: std::io::Error| object_store::Error::Generic { store: "media", source: source.into() };
        std::fs::create_dir_all(folder).map_err(unusable)?;
        shorten_names(folder).map_err(unusable)?;
        Ok(Self { store: Arc::new(LocalFileSystem::new_with_prefix(folder)?) })
    }

    pub async fn put(&self, hash: &str, bytes: Vec<u8>) -> object_store::Result<()> {
        self.store.put(&place(hash), PutPayload::from(bytes)).await.map(|_| ())
    }

    /// The bytes of a picture, where it is kept, by its hash or its name in addresses.
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

/// Files have the names that they have in addresses.
fn place(hash: &str) -> Path {
    let name = file_name(hash).unwrap_or_else(|| hash.to_owned());
    Path::from(format!("{}/{name}", &name[..2.min(name.len())]))
}

/// Files once had their whole hash as their name, in folders named by its first two digits.
fn shorten_names(folder: &std::path::Path) -> std::io::Result<()> {
    for part in std::fs::read_dir(folder)? {
        let part = part?.path();
        if part.file_name().is_none_or(|name| name.len() != 2) {
            continue;
        }
        let mut moved = false;
        for old in std::fs::read_dir(&part).into_iter().flatten().flatten() {
            let Some(name) = old.file_name().to_str().and_then(file_name) else { continue };
            let new = folder.join(&name[..2]);
            std::fs::create_dir_all(&new)?;
            // Another server may have been here meanwhile.
            match std::fs::rename(old.path(), new.join(name)) {
                Err(error) if error.kind() != std::io::ErrorKind::NotFound => return Err(error),
                _ => moved = true,
            }
        }
        if moved {
            // Only where nothing is left in it.
            let _ = std::fs::remove_dir(part);
        }
    }
    Ok(())
}

#[cfg(test)]
mod tests {
    use super::*;

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

    #[actix_web::test]
    async fn files_under_their_whole_hash_are_found_after_a_start() {
        let folder = std::env::temp_dir().join(format!("compagina-media-old-{}", std::process::id()));
        let hash = "ab".repeat(32);
        std::fs::create_dir_all(folder.join("ab")).unwrap();
        std::fs::write(folder.join("ab").join(&hash), b"picture").unwrap();
        std::fs::create_dir_all(folder.join("notes")).unwrap();
        std::fs::write(folder.join("notes").join(&hash), b"note").unwrap();
        let media = Media::open(&folder).unwrap();
        assert_eq!(media.note(&hash).await.unwrap(), Bytes::from_static(b"note"));
        assert_eq!(media.get(&hash).await.unwrap().unwrap(), Bytes::from_static(b"picture"));
        assert!(!folder.join("ab").exists(), "nothing is left of it");
        std::fs::remove_dir_all(folder).unwrap();
    }
}
