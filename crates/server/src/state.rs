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
use std::path::Path;
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
        let style = shop_style(&config.shop)?;
        let script = |name| shop_script(&config.shop, name);
        let assets = Assets {
            style,
            script: script("shop")?,
            product: script("product")?,
            agent: script("agent")?,
            fonts: fonts(&config.shop.join("files")),
        };
        if !config.web.join("index.html").is_file() {
            return Err(not_built(&config.web, "index.html"));
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

/// The address of the shop's styles; the hash of what is in them makes it another when they are.
fn shop_style(folder: &Path) -> Result<String, StartError> {
    let bytes = std::fs::read(folder.join("base.css")).map_err(|_| not_built(folder, "base.css"))?;
    Ok(format!("/shop/assets/base.css?v={}", &compagina_pictures::hash(&bytes)[..12]))
}

/// The address of one of the shop's scripts. Scripts ask for one another by the names that their build gave them, so the
/// pages do too.
fn shop_script(folder: &Path, name: &'static str) -> Result<String, StartError> {
    let files = std::fs::read_dir(folder).into_iter().flatten().flatten();
    let mut files = files.filter_map(|file| file.file_name().into_string().ok());
    let is_it = |file: &String| {
        file.strip_prefix(name).is_some_and(|rest| rest.starts_with('-')) && file.ends_with(".js")
    };
    Ok(format!("/shop/assets/{}", files.find(is_it).ok_or_else(|| not_built(folder, name))?))
}

fn not_built(folder: &Path, file: &'static str) -> StartError {
    StartError::NotBuilt { folder: folder.display().to_string(), file }
}

/// The fonts for Latin letters among the files that the shop's style sheet names.
fn fonts(folder: &Path) -> Vec<String> {
    let files = std::fs::read_dir(folder).into_iter().flatten().flatten();
    let names = files.filter_map(|file| file.file_name().into_string().ok());
    let latin = names.filter(|name| name.contains("-latin-wght-normal"));
    latin.map(|name| format!("/shop/assets/files/{name}")).collect()
}
