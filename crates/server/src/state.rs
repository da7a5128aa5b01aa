use crate::app::StartError;
use crate::aside::Aside;
use crate::config::Config;
use crate::drawer::Drawer;
use crate::edition::Editions;
use crate::known::KnownProducts;
use crate::media::Media;
use crate::upload::MEGAPIXELS_AT_ONCE;
use compagina_core::wording::Words;
use compagina_press::Assets;
use compagina_storage::Store;
use quick_cache::sync::Cache;
use std::time::Duration;
use tokio::sync::{Notify, Semaphore};

const MOST_WORDS: usize = 100;

/// What every handler may use. Nothing in it is the only copy of anything: more processes may stand beside this one.
pub struct State {
    pub store: Store,
    /// So long pages are made before they are asked for.
    pub prepare: Duration,
    pub media: Media,
    pub assets: Assets,
    /// Where what goes on by itself runs, beside the threads that serve.
    pub home: tokio::runtime::Handle,
    /// For work that no shopper waits for.
    pub aside: Aside,
    /// Draws what strangers send.
    pub drawer: Drawer,
    /// What shoppers see now.
    pub editions: Editions,
    /// Products as they were read last.
    pub known: KnownProducts,
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
            prepare: config.pace.prepare,
            media,
            assets,
            home: tokio::runtime::Handle::current(),
            aside: Aside::new()?,
            drawer: Drawer::new(config.drawer.clone())?,
            editions: Editions::default(),
            known: KnownProducts::default(),
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
