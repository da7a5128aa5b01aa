use crate::app::StartError;
use crate::config::Config;
use crate::known::Known;
use crate::media::Media;
use crate::pages::Pages;
use crate::serving::Kept;
use crate::upload::MEGAPIXELS_AT_ONCE;
use compagina_core::catalog::Product;
use compagina_core::wording::Words;
use compagina_press::Assets;
use compagina_storage::Store;
use quick_cache::sync::Cache;
use std::sync::Arc;
use tokio::sync::{Notify, Semaphore};

const MOST_WORDS: usize = 100;
const MOST_KNOWN: usize = 200;

/// What every handler may use. Nothing in it is the only copy of anything: more processes may stand beside this one.
pub struct State {
    pub store: Store,
    pub media: Media,
    pub assets: Assets,
    pub pages: Pages,
    /// What decides which template serves which product.
    pub serving: Kept,
    /// What proofs need of products, by their handles.
    pub known: Cache<String, Arc<Known>>,
    /// Products that shoppers are choosing among, with the age of what was read.
    pub products: Cache<String, (u64, Arc<Product>)>,
    /// Wakes a worker when there are pictures to make.
    pub to_make: Notify,
    /// Millions of pixels that may still be decoded at once.
    pub turns: Semaphore,
    /// Words ready to be said, by language and own words.
    pub words: Cache<String, Words>,
}

impl State {
    pub fn new(store: Store, media: Media, config: &Config) -> Result<Self, StartError> {
        let address = |file: &'static str| -> Result<String, StartError> {
            let folder = config.shop.display().to_string();
            let bytes =
                std::fs::read(config.shop.join(file)).map_err(|_| StartError::NotBuilt { folder, file })?;
            Ok(format!("/shop/assets/{file}?v={}", &compagina_pictures::hash(&bytes)[..12]))
        };
        let assets = Assets {
            style: address("base.css")?,
            script: address("shop.js")?,
            agent: address("agent.js")?,
            fonts: fonts(&config.shop.join("files")),
        };
        if !config.web.join("index.html").is_file() {
            let folder = config.web.display().to_string();
            return Err(StartError::NotBuilt { folder, file: "index.html" });
        }
        Ok(Self {
            store,
            media,
            assets,
            pages: Pages::default(),
            serving: Kept::default(),
            known: Cache::new(MOST_KNOWN),
            products: Cache::new(MOST_KNOWN),
            to_make: Notify::new(),
            turns: Semaphore::new(MEGAPIXELS_AT_ONCE as usize),
            words: Cache::new(MOST_WORDS),
        })
    }
}

/// The fonts for Latin letters among the files that the shop's style sheet names.
fn fonts(folder: &std::path::Path) -> Vec<String> {
    let files = std::fs::read_dir(folder).into_iter().flatten().flatten();
    let names = files.filter_map(|file| file.file_name().into_string().ok());
    let latin = names.filter(|name| name.contains("-latin-wght-normal"));
    latin.map(|name| format!("/shop/assets/files/{name}")).collect()
}
