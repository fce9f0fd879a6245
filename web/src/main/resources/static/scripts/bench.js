// The bench: Space ticks the act, Backspace takes the last one back; waits count down; sound and speech where wanted.
(() => {
  const usual = { sound: "on", speech: "off" };
  const remembered = (name) => (localStorage.getItem(`bench-${name}`) || usual[name]) === "on";
  const typing = (target) =>
    target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName));
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

  let audio;
  const tone = (pitch, at, length) => {
    const oscillator = audio.createOscillator();
    const gain = audio.createGain();
    oscillator.frequency.value = pitch;
    gain.gain.value = 0.2;
    oscillator.connect(gain).connect(audio.destination);
    oscillator.start(audio.currentTime + at);
    oscillator.stop(audio.currentTime + at + length);
  };
  const sound = () => {
    if (remembered("sound")) {
      audio ??= new AudioContext();
      tone(660, 0, 0.25);
      tone(880, 0.3, 0.25);
      tone(660, 0.6, 0.4);
    }
  };
  const say = (words) => {
    if (remembered("speech") && words && "speechSynthesis" in window) {
      speechSynthesis.cancel();
      speechSynthesis.speak(new SpeechSynthesisUtterance(words));
    }
  };

  const switchable = (name, label, turnedOn) => {
    const button = document.getElementById(name);
    if (!button) {
      return;
    }
    const show = () => {
      button.setAttribute("aria-pressed", String(remembered(name)));
      button.textContent = `${label} ${remembered(name) ? "on" : "off"}`;
    };
    button.addEventListener("click", () => {
      localStorage.setItem(`bench-${name}`, remembered(name) ? "off" : "on");
      show();
      if (remembered(name)) {
        turnedOn();
      }
    });
    show();
  };
  const now = document.getElementById("now");
  switchable("sound", "Sound", sound);
  switchable("speech", "Speech", () => say(now?.dataset.say));
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
        sound();
        say("The wait is over");
        now.classList.add("over");
      }
    };
    show();
    setInterval(show, 250);
  }
})();
