use crate::config::{Config, StartError};
use crate::feed::Feed;
use crate::making::drawer::Drawer;
use crate::media::Media;
use crate::pages::Pages;
use crate::parts::Parts;
use crate::serving::Serving;
use crate::unkept::Unkept;
use compagina_press::Assets;
use compagina_storage::Store;
use std::ops::Deref;
use std::sync::Arc;
use tokio::sync::{Notify, Semaphore};

/// Pixels, in millions, that may be held decoded at once by one process: three or four bytes each.
pub const MEGAPIXELS_AT_ONCE: u32 = 36;

/// What every handler may use. Nothing in it is the only copy of anything: more processes may stand beside this one.
pub struct State {
    pub serving: Arc<Serving>,
    /// What owners' open tabs are told.
    pub feed: Feed,
    /// Pages that desks were told last.
    pub pages: Arc<Pages>,
    /// Products whose variants are told part by part.
    pub parts: Parts,
    /// Answers to steps that aren't kept yet.
    pub unkept: Unkept,
    /// Draws what strangers send.
    pub drawer: Drawer,
    /// Wakes a worker when there are pictures to make.
    pub to_make: Notify,
    /// Millions of pixels that may still be decoded at once.
    pub turns: Semaphore,
}

impl Deref for State {
    type Target = Serving;

    fn deref(&self) -> &Serving {
        &self.serving
    }
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
            serving: Arc::new(Serving::new(store, media, assets, config.pace.prepare)?),
            feed: Feed::default(),
            pages: Arc::default(),
            parts: Parts::default(),
            unkept: Unkept::default(),
            drawer: Drawer::new(config.drawer.clone())?,
            to_make: Notify::new(),
            turns: Semaphore::new(MEGAPIXELS_AT_ONCE as usize),
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
