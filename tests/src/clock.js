// What is done again and again is done when the test says that time has gone by.
(() => {
  const waiting = new Map();
  let last = 0;
  window.setInterval = (work, every) => {
    waiting.set((last += 1), { work, every, left: every });
    return last;
  };
  window.clearInterval = (id) => waiting.delete(id);
  window.tick = (ms) => {
    for (const [id, one] of waiting) {
      one.left -= ms;
      while (one.left <= 0 && waiting.has(id)) {
        one.left += one.every;
        one.work();
      }
    }
  };
})();
