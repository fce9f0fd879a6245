// The bench: Space ticks the act, Backspace takes the last one back; waits count down; sound and speech where wanted.
import { play, say, switchOf } from "../signals.js";
import { typing } from "../typing.js";

document.documentElement.classList.add("has-script");

// Presses within 400 ms count once, even when the next act is there already.
const soon = () => Date.now() - Number(sessionStorage.getItem("bench-pressed") || 0) < 400;
document.addEventListener(
  "submit",
  (event) => {
    if (soon()) {
      event.preventDefault();
      event.stopImmediatePropagation();
      return;
    }
    sessionStorage.setItem("bench-pressed", String(Date.now()));
  },
  true,
);

const press = (form) => form && form.requestSubmit();
document.addEventListener("keydown", (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || typing(event.target)) {
    return;
  }
  if (event.key === " ") {
    event.preventDefault();
    press(document.getElementById("done")?.form);
  } else if (event.key === "Backspace") {
    event.preventDefault();
    press(document.getElementById("undo"));
  }
});
// A button that has the focus would press itself once more when Space is let go.
document.addEventListener("keyup", (event) => {
  if (event.key === " " && !typing(event.target)) {
    event.preventDefault();
  }
});

document.querySelector(".walk-acts [aria-current]")?.scrollIntoView({ block: "center" });
window.scrollTo(0, 0);

const now = document.getElementById("now");
for (const [what, label, turnedOn] of [
  ["sound", "Sound", () => play("waited")],
  ["speech", "Speech", () => say(now?.dataset.say)],
]) {
  const button = document.getElementById(what);
  if (button) {
    switchOf(what, label, button, turnedOn);
  }
}
say(now?.dataset.say);

const figure = document.querySelector("[data-wait]");
if (figure) {
  const until = performance.now() + Number(figure.dataset.wait) * 1000;
  let rang = Number(figure.dataset.wait) === 0;
  const show = () => {
    const left = Math.max(0, Math.ceil((until - performance.now()) / 1000));
    figure.textContent = `${Math.floor(left / 60)}:${String(left % 60).padStart(2, "0")}`;
    if (left === 0 && !rang) {
      rang = true;
      play("waited");
      say("The wait is over");
      now.classList.add("over");
    }
  };
  show();
  setInterval(show, 250);
}
