/** A film's size and a picture of its beginning, as far as this browser can show it. */
export interface FilmStart {
  width: number;
  height: number;
  poster: Blob;
}

/** Takes the frame a moment after the start: the first one is often black. */
const MOMENT = 0.3;

export async function startOf(file: File): Promise<FilmStart | null> {
  const film = document.createElement("video");
  film.muted = true;
  film.preload = "auto";
  film.src = URL.createObjectURL(file);
  try {
    await event(film, "loadeddata");
    film.currentTime = Math.min(MOMENT, film.duration / 2 || 0);
    await event(film, "seeked");
    const { videoWidth: width, videoHeight: height } = film;
    const poster = await drawn(film, width, height);
    return poster && { width, height, poster };
  } catch {
    return null;
  } finally {
    URL.revokeObjectURL(film.src);
  }
}

/** A picture in a form that the server doesn't read, as one that it does. */
export async function asWebP(file: File): Promise<Blob | null> {
  try {
    const picture = await createImageBitmap(file);
    return await drawn(picture, picture.width, picture.height);
  } catch {
    return null;
  }
}

function event(film: HTMLVideoElement, name: string): Promise<void> {
  return new Promise((done, fail) => {
    film.addEventListener(name, () => done(), { once: true });
    film.addEventListener("error", () => fail(new Error(name)), { once: true });
    setTimeout(() => fail(new Error(name)), 20_000);
  });
}

function drawn(source: CanvasImageSource, width: number, height: number): Promise<Blob | null> {
  const canvas = document.createElement("canvas");
  Object.assign(canvas, { width, height });
  canvas.getContext("2d")?.drawImage(source, 0, 0);
  return new Promise((done) => canvas.toBlob(done, "image/webp", 0.95));
}
