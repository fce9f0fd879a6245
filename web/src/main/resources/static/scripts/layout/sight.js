// What has the focus is never behind a bar that is docked at the foot: browsers take the whole window for what is in sight.
const docked = () =>
  [...document.querySelectorAll(".actions, .bar, .rail")].filter(
    (bar) => getComputedStyle(bar).position === "fixed" && bar.getBoundingClientRect().top > window.innerHeight / 2,
  );

document.addEventListener("focusin", (event) => {
  const bars = docked();
  if (bars.length === 0 || bars.some((bar) => bar.contains(event.target))) {
    return;
  }
  const edge = Math.min(...bars.map((bar) => bar.getBoundingClientRect().top));
  const hidden = event.target.getBoundingClientRect().bottom - edge + 10;
  if (hidden > 0) {
    window.scrollBy({ top: hidden, behavior: "instant" });
  }
});
