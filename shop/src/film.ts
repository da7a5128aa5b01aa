let inSight: IntersectionObserver | undefined;

/** Starts the films that start by themselves, once they come into sight; never for visitors who ask for less motion. */
export function startFilms(): void {
  const films = document.querySelectorAll<HTMLVideoElement>("video[data-starts]");
  inSight?.disconnect();
  if (films.length === 0) return;
  if (matchMedia("(prefers-reduced-motion: reduce)").matches) {
    // Whoever wants to see one that has no controls of its own can still start it.
    for (const film of films) if (!film.closest(".behind")) film.controls = true;
    return;
  }
  inSight = new IntersectionObserver((seen) => {
    for (const one of seen) {
      const film = one.target as HTMLVideoElement;
      if (one.isIntersecting) void film.play().catch(() => undefined);
      else film.pause();
    }
  });
  for (const film of films) inSight.observe(film);
}
