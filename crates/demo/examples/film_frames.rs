//! Draws the frames of the demo shop's film into a folder. The film is made from them once, with
//! `ffmpeg -framerate 24 -i FOLDER/%03d.webp -c:v libx264 -pix_fmt yuv420p -crf 30 -preset veryslow -movflags +faststart -an turning-kite.mp4`
#![allow(clippy::unwrap_used, clippy::print_stdout)]

use compagina_demo::media::{FILM_SIZE, FRAMES, frame};

fn main() {
    let folder = std::env::args().nth(1).unwrap();
    for number in 0..FRAMES {
        let drawn = compagina_pictures::draw(&frame(number), &[FILM_SIZE.0]).unwrap();
        std::fs::write(format!("{folder}/{number:03}.webp"), &drawn.sizes[0].bytes).unwrap();
    }
    println!("{FRAMES} frames in {folder}");
}
