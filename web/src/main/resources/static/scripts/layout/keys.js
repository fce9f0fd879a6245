// Keys to the places. They never act while someone types in a field.
import { typing } from "../typing.js";

(() => {
  const places = { w: "/week", s: "/shelf", b: "/bench", r: "/run", q: "/queue", c: "/cupboard", m: "/money", j: "/journal", h: "/house" };
  const dialog = document.getElementById("keys");
  if (!dialog) {
    return;
  }
  document.documentElement.classList.add("has-keys");
  let afterG = false;

  const acts = {
    "/": () => {
      const sentence = document.getElementById("tonight");
      if (sentence) {
        sentence.focus();
        sentence.select();
      } else {
        location.assign("/shelf#tonight");
      }
    },
    "?": () => dialog.showModal(),
    d: () => document.getElementById("theme").requestSubmit(),
  };

  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target) || dialog.open) {
      return;
    }
    if (afterG && places[event.key]) {
      event.preventDefault();
      location.assign(places[event.key]);
    } else if (!afterG && acts[event.key]) {
      event.preventDefault();
      acts[event.key]();
    }
    afterG = event.key === "g" && !afterG;
  });

  // Runs in a life window are one stop; the arrow keys step through them.
  document.addEventListener("keydown", (event) => {
    const point = event.target instanceof Element && event.target.closest(".life-point");
    const step = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (!point || !step) {
      return;
    }
    const points = [...point.parentNode.querySelectorAll(".life-point")];
    const next = points[points.indexOf(point) + step];
    if (next) {
      event.preventDefault();
      point.setAttribute("tabindex", "-1");
      next.setAttribute("tabindex", "0");
      next.focus();
    }
  });

  document.getElementById("show-keys").addEventListener("click", acts["?"]);
})();
