// Cues that are heard, seen and spoken; sound and speech can be switched off, and the choice is remembered.
const USUAL = { sound: "on", speech: "off" };
const TONES = {
  fill: [440],
  still: [440, 330],
  move: [660],
  out: [880, 660, 880],
  next: [520, 780],
  wrong: [220, 180, 220, 180],
  light: [520, 660, 780],
  waited: [660, 880, 660],
};

export const remembered = (what) => (localStorage.getItem(`bench-${what}`) || USUAL[what]) === "on";

let audio;

// Plays the tones of a cue, where sound is switched on.
export const play = (kind) => {
  if (!remembered("sound")) {
    return;
  }
  audio ??= new AudioContext();
  TONES[kind].forEach((pitch, at) => {
    const oscillator = audio.createOscillator();
    const gain = audio.createGain();
    oscillator.frequency.value = pitch;
    gain.gain.value = 0.25;
    oscillator.connect(gain).connect(audio.destination);
    oscillator.start(audio.currentTime + at * 0.25);
    oscillator.stop(audio.currentTime + at * 0.25 + 0.2);
  });
};

// Speaks, where speech is switched on and the browser can.
export const say = (sentence) => {
  if (remembered("speech") && sentence && "speechSynthesis" in window) {
    speechSynthesis.cancel();
    speechSynthesis.speak(new SpeechSynthesisUtterance(sentence));
  }
};

// Says a sentence in every way that is switched on; root flashes, said is read out by screen readers.
export const signalOn = (root, said) => (kind, sentence) => {
  said.textContent = sentence;
  root.classList.remove("flash");
  void root.offsetWidth;
  root.classList.add("flash");
  play(kind);
  say(sentence);
};

// A button that switches sound or speech, and what shows that it is on.
export const switchOf = (what, label, button, turnedOn = () => {}) => {
  const draw = () => {
    button.setAttribute("aria-pressed", String(remembered(what)));
    button.textContent = `${label} ${remembered(what) ? "on" : "off"}`;
  };
  button.addEventListener("click", () => {
    localStorage.setItem(`bench-${what}`, remembered(what) ? "off" : "on");
    draw();
    if (remembered(what)) {
      turnedOn();
    }
  });
  draw();
};
