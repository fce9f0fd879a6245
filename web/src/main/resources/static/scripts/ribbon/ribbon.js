// The ribbon plays a schedule that the server made. The clock goes by timestamps, never by counting ticks; what is
// confirmed is kept here and sent when the server answers.
import { typing } from "../typing.js";
import { ServerClock } from "./clock.js";
import { fold, press } from "./fold.js";
import { picture } from "./picture.js";
import { accidents } from "./accidents.js";
import { signalOn, switchOf } from "../signals.js";

const root = document.getElementById("main");
const run = JSON.parse(root.dataset.run);
const real = run.started > 0;
const store = `run-${run.started}`;
const by = (id) => document.getElementById(id);
const server = new ServerClock(run.now, Date.now());
const opened = Date.now();
const clock = () => (real ? Date.now() + server.offset : run.now + (Date.now() - opened) * run.speed);

let events = run.events;
let unsent = [];
if (real) {
  const kept = JSON.parse(localStorage.getItem(store) || "[]");
  unsent = kept.filter((event) => event.n > events.length);
  events = events.concat(unsent);
}

const confirm = (kind, step, value = 0) => {
  const event = { n: events.length + 1, at: Math.round(clock()), kind, step, value };
  events.push(event);
  if (real) {
    unsent.push(event);
    localStorage.setItem(store, JSON.stringify(unsent));
    send();
  }
  show();
};

// What the events add up to just now.
const state = () => fold(run.steps.length, events);

const shown = (seconds) => {
  const whole = Math.max(0, Math.ceil(seconds - 1e-6));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
};
const name = (step) => (step.letters ? `${step.letters}, ${step.name.toLowerCase()}` : step.name.toLowerCase());

// Everything that the page says, from the events and the clock.
const present = () => picture(run, state(), clock());

const amount = (cue) => (cue.turns > 0 ? `${cue.turns} ${cue.turns === 1 ? "turn" : "turns"}` : `${Math.round(cue.lasts)} s`);

const words = (cue, step) =>
  ({
    fill: `Pour in: ${name(step)}`,
    out: step.out,
    still: step.still,
    move: `${cue.opening ? step.moveFirst : step.move}, ${amount(cue)}`,
  })[cue.kind];

const said = new Set();
const signal = signalOn(root, by("said"));

let lastCue = null;
const announce = (p) => {
  if (!p.step || p.done) {
    return;
  }
  const key = (what) => `${p.now.step}-${p.now.poured}-${what}`;
  const passed = p.marks.filter((cue) => cue.at <= p.elapsed + 1e-6 && !said.has(key(cue.kind + cue.at)));
  passed.forEach((cue) => said.add(key(cue.kind + cue.at)));
  const cue = passed.sort((a, b) => a.at - b.at).pop();
  if (p.over && !said.has(key("over"))) {
    said.add(key("over"));
    const safe = p.now.step === run.lightSafeAfter ? " Light may come in now." : "";
    const wipe = p.next && p.next.before ? ` ${p.next.before}.` : "";
    lastCue = [safe ? "light" : "next", (p.next ? `Pour in: ${name(p.next)}.` : "The run is over.") + wipe + safe];
    signal(...lastCue);
  } else if (cue && p.elapsed < cue.at + cue.lasts + 1) {
    lastCue = [cue.kind, words(cue, p.step)];
    signal(...lastCue);
  }
};

const putBack = () => {
  root.classList.remove("stopped");
  by("trouble").textContent = "";
  show();
};

// Where the clock starts with pouring, it is pressed as pouring begins; where it starts with a full tank, when that is full.
const poured = (next) => (next.fill > 0 ? `Pouring in: ${name(next)}` : `Full of: ${name(next)}`);

const main = (p) => {
  if (root.classList.contains("stopped")) {
    return ["I have put it back", putBack];
  }
  if (p.done && unsent.length) {
    return ["", null];
  }
  if (p.done) {
    return real ? ["Log the run", () => location.assign(`/runs/${run.started}`)] : ["See how it went", report];
  }
  const clear = p.step && p.step.open ? "It runs clear" : "";
  switch (press(p.now, p.step, !p.next, p.over, Boolean(p.due && ticked()))) {
    case "POUR":
      return [`${clear && `${clear}. `}${poured(p.next)}`, () => confirm("POUR", p.now.step + 1)];
    case "DONE":
      return [clear || "The film is out", finish];
    case "FILL":
      return [`Fill ${p.now.fills + 1} of ${p.step.fills} is out`, () => confirm("FILL", p.now.step)];
    case "MOVED":
      return ["Moved", () => confirm("MOVED", p.now.step, p.due.at)];
    default:
      return ["", null];
  }
};

// Whether movements are ticked off: the cue stays either way.
const ticked = () => (events.filter((event) => event.kind === "UNTICKED").pop() || { value: 0 }).value === 0;
const ticksShown = () => {
  text("ticks", ticked() ? "Ticks on" : "Ticks off");
  by("ticks").setAttribute("aria-pressed", String(ticked()));
};

const finish = () => confirm("DONE", state().step);
const report = () => {
  by("report-events").value = JSON.stringify(events);
  by("report").submit();
};

const text = (id, value) => {
  const element = by(id);
  if (element.textContent !== value) {
    element.textContent = value;
  }
};

const show = () => {
  const p = present();
  announce(p);
  const step = p.step;
  by("letters").hidden = !step || !step.letters;
  text("letters", step ? step.letters : "");
  text("step", p.done ? "The run is over" : step ? step.name : "Before it begins");
  text("temperature", step && !p.done ? step.temperature : "");
  root.classList.toggle("over", Boolean(p.over && !p.done && step && !step.open));
  if (p.done) {
    text("left", "✓");
    text("of", real ? "Hang the film, then log the run" : "");
  } else if (step && step.open) {
    text("left", shown(p.elapsed));
    text("of", "until it runs clear");
  } else if (step) {
    text("left", p.left > 0 ? shown(p.left) : `+${shown(-p.left)}`);
    text("of", p.now.since ? "It waits" : p.left > 0 ? `left of ${shown(p.length)}` : "over: pour on");
  } else {
    text("left", shown(p.left));
  }
  ticksShown();
  const [label, act] = main(p);
  by("go").hidden = !act;
  text("go-words", label);
  by("pause").hidden = !(step && step.pause && !p.done && !p.over);
  text("pause", p.now.since ? "Go on" : "Pause");
  for (const id of ["less", "more"]) {
    by(id).disabled = !step || p.done;
  }
  if (p.done) {
    text("next-when", "Now");
    const sent = unsent.length ? "Leave this page open until the server has heard of it" : "Caps on, air out of the bottles, tank soaked, sink rinsed";
    text("next", real ? sent : "See what was late, early or missed");
  } else if (p.before || p.over) {
    text("next-when", "Now");
    text("next", p.next ? `${p.next.before ? `${p.next.before}, then pour` : "Pour"} in: ${name(p.next)}` : "Take the film out");
  } else if (p.active) {
    text("next-when", "Now");
    text("next", words(p.active, step));
  } else if (p.coming) {
    text("next-when", `Next, in ${Math.ceil(p.coming.at - p.elapsed - 1e-6)} s`);
    text("next", words(p.coming, step));
  } else {
    text("next-when", "Next");
    text("next", p.next ? `Pour in: ${name(p.next)}` : "The film comes out");
  }
  text("meanwhile", meanwhile(p));
  wrong.show(by("next-when").textContent, by("next").textContent);
  strip(p);
  hang(p);
};

// What to fetch before it is needed.
const meanwhile = (p) => {
  if (p.step && p.step.says && !p.done) {
    return p.step.says;
  }
  if (p.done || !p.next) {
    return "Clips for the film; the closing list";
  }
  if (!p.step) {
    return "Gloves on; funnel and the first bottles within reach";
  }
  const where = p.step.letters ? `Funnel on the ${p.step.letters} bottle` : "Room in the sink";
  if (p.next.before) {
    return `${p.next.before} before ${p.next.letters} goes in`;
  }
  const then = p.next.letters ? `${p.next.letters} within reach` : `warm water now, ${p.next.temperature || "as warm as the bath"}`;
  return `${where}; ${then}`;
};

const strip = (p) => {
  const parts = run.steps.map((_, at) => by(`part-${at}`));
  const part = parts[p.done ? parts.length - 1 : Math.max(0, p.now.step)];
  const rect = part.querySelector("rect");
  const from = Number(rect.getAttribute("x"));
  const width = Number(rect.getAttribute("width"));
  const share = p.done ? 1 : p.step ? Math.min(1, p.elapsed / p.length) : 0;
  by("present").setAttribute("transform", `translate(${(from + width * share).toFixed(1)} 0)`);
};

const hours = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", timeZone: run.zone });
const hang = (p) => {
  const rest = run.steps.slice(p.now.step + 1).reduce((sum, step) => sum + step.seconds, Math.max(0, p.left));
  const ahead = p.before ? run.steps.reduce((sum, step) => sum + step.seconds, 0) : rest;
  const at = new Date(Date.now() + (real ? server.offset : 0) + (ahead * 1000) / run.speed);
  text("hang", p.done ? "" : `film can hang at ${hours.format(at)}`);
};

// Presses within 400 ms count once.
let pressed = -Infinity;
const once = (act) => {
  if (!act || performance.now() - pressed < 400) {
    return;
  }
  pressed = performance.now();
  act();
};
const go = () => once(main(present())[1]);
const change = (seconds) => () => {
  const p = present();
  if (p.step && !p.done && p.length + seconds > p.elapsed) {
    confirm("CHANGE", p.now.step, seconds);
  }
};
by("go").addEventListener("click", go);
by("less").addEventListener("click", () => once(change(-5)));
by("more").addEventListener("click", () => once(change(5)));
const wrong = accidents({ root, run, by, text, shown, state, present, confirm, heard: flush, last: () => events.length });
by("wrong").addEventListener("click", () => once(wrong.open));
by("ticks").addEventListener("click", () =>
  once(() => {
    confirm("UNTICKED", Math.max(0, state().step), ticked() ? 1 : 0);
    localStorage.setItem("ticks", ticked() ? "on" : "off");
  }),
);
by("pause").addEventListener("click", () => once(() => confirm(state().since ? "GO_ON" : "PAUSE", state().step)));
document.addEventListener("keydown", (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || typing(event.target) || wrong.key(event)) {
    return;
  }
  const acts = { " ": go, "+": () => once(change(5)), "-": () => once(change(-5)), ".": () => lastCue && signal(...lastCue) };
  if (acts[event.key]) {
    event.preventDefault();
    acts[event.key]();
  }
});
document.addEventListener("keyup", (event) => {
  if (event.key === " " && !typing(event.target) && !wrong.isOpen()) {
    event.preventDefault();
  }
});

// A bottle that is not the next one stops the hand that holds it.
by("scan")?.addEventListener("submit", (event) => {
  event.preventDefault();
  const typed = by("code").value.trim().split("/").pop();
  by("code").value = "";
  by("code").blur();
  const p = present();
  const wanted = p.before || p.over || (p.step && p.step.open) ? p.next : p.step;
  const wrong = !wanted || wanted.code !== typed;
  root.classList.toggle("stopped", wrong);
  if (wrong) {
    const what = run.bottles[typed] ? `That is ${run.bottles[typed]}.` : "That code is on no bottle of this batch.";
    by("trouble").textContent = `Stop. ${what} Now it is ${wanted ? name(wanted) : "nothing"}.`;
    signal("wrong", by("trouble").textContent);
  } else {
    by("trouble").textContent = `Right: ${run.bottles[typed]}.`;
  }
});
// The server reads what was typed, with the unit that was typed. What is far off is asked once more; what was misread
// is taken back.
let doubted = null;
let reading = 0;
by("take-back").addEventListener("click", () =>
  once(() => {
    if (reading) {
      confirm("TAKEN_BACK", Math.max(0, state().step), reading);
      reading = 0;
    }
    by("read").hidden = true;
    by("celsius").focus();
  }),
);
by("warm").addEventListener("submit", async (event) => {
  event.preventDefault();
  const form = by("warm");
  const field = by("celsius");
  const step = state().step;
  if (step < 0) {
    by("trouble").textContent = "Type a temperature once a step has begun.";
    return;
  }
  const typed = field.value;
  const wanted = run.steps[step].wanted;
  try {
    const answer = await fetch(form.action, {
      method: "POST",
      body: new URLSearchParams([...new FormData(form), ...(wanted === null ? [] : [["wanted", wanted]])]),
    });
    const read = await answer.json();
    const asks = read.doubtful && doubted !== typed;
    doubted = asks ? typed : null;
    if (answer.ok && !asks) {
      field.value = "";
      field.blur();
      by("trouble").textContent = "";
      confirm("TEMPERATURE", step, read.celsius);
      reading = events.length;
      text("read-words", `${read.shown} noted.`);
      by("read").hidden = false;
    } else {
      by("trouble").textContent = read.sentence;
    }
    field.toggleAttribute("aria-invalid", !answer.ok);
  } catch {
    by("trouble").textContent = "The server does not answer. What you typed stays here: press Enter again when it does.";
  }
});

switchOf("sound", "Sound", by("sound"));
switchOf("speech", "Speech", by("speech"));

// What the server knows of the temperature: the probe, what is wrong with it, and what a drift advises.
let advised = null;
let found = "";
const watch = (watched) => {
  if (!watched || !by("probe")) {
    return;
  }
  text("probe", watched.shown);
  text("finding", watched.finding);
  if (watched.finding && watched.finding !== found) {
    signal("wrong", watched.finding);
  }
  found = watched.finding;
  const now = state();
  const left = watched.advice && watched.step === now.step ? watched.change - now.changed : 0;
  advised = left ? () => confirm("CHANGE", now.step, left) : null;
  text("advice", watched.step === now.step ? watched.advice : "");
  text("take", left ? `Take it: ${left > 0 ? "+" : "−"} ${Math.abs(left)} s` : "");
  by("take").hidden = !left;
};
by("take")?.addEventListener("click", () => once(advised));

// Sending: what the server has is what counts; what it has not heard yet is kept and sent again.
let sending = false;
const send = async () => {
  if (!real || sending) {
    return;
  }
  sending = true;
  const before = Date.now();
  try {
    const address = by("events").action;
    const answer = unsent.length
      ? await fetch(address, {
          method: "POST",
          body: new URLSearchParams([...new FormData(by("events")), ["events", JSON.stringify(unsent)]]),
        })
      : await fetch(address);
    if (answer.ok && answer.headers.get("content-type").startsWith("application/json")) {
      const heard = await answer.json();
      server.agree(heard.now, before + heard.took, Date.now());
      const known = heard.events.length;
      const lost = unsent.filter((event) => event.n <= known && heard.events[event.n - 1].at !== event.at);
      unsent = unsent.filter((event) => event.n > known);
      localStorage.setItem(store, JSON.stringify(unsent));
      events = heard.events.concat(unsent);
      if (lost.length) {
        by("trouble").textContent = "Somebody else pressed first, on another device.";
      }
      watch(heard.watched);
      text("saved", "Kept here and on the server.");
    } else if (answer.status === 404 || answer.status === 422) {
      text("saved", "This run is over: it was logged or called off elsewhere.");
    } else if (answer.redirected || answer.status === 401 || answer.status === 403) {
      text("saved", "Kept here; the server did not take it. Sign in again on another page.");
    } else {
      text("saved", "Kept here; the server cannot save just now. Leave this page open: it is sent again by itself.");
    }
  } catch {
    text("saved", "The server does not answer. The clock goes on, and what you press is kept here: leave this page open.");
  }
  sending = false;
  show();
};
// Whether the server has heard of everything; tried for two seconds.
async function flush() {
  for (let tries = 0; tries < 20 && unsent.length; tries++) {
    await send();
    await new Promise((go) => setTimeout(go, 100));
  }
  return unsent.length === 0;
}
const look = async () => {
  const form = by("watching");
  try {
    const answer = await fetch(form.action, {
      method: "POST",
      body: new URLSearchParams([
        ...new FormData(form),
        ["events", JSON.stringify(events)],
        ["now", String(Math.round(clock()))],
      ]),
    });
    if (answer.ok) {
      watch(await answer.json());
    }
  } catch {
    text("probe", "The server does not answer; the clock goes on.");
  }
};
if (real) {
  send();
  setInterval(send, 2000);
  document.addEventListener("visibilitychange", () => document.visibilityState === "visible" && send());
} else {
  setInterval(look, Math.max(500, 2000 / run.speed));
}

// The screen stays on where the browser lets a page do that.
const stayAwake = async () => {
  try {
    await navigator.wakeLock.request("screen");
    text("awake", "");
  } catch {
    text("awake", "Set the tablet so that its screen stays on: this connection does not let a page do it.");
  }
};
if (navigator.wakeLock) {
  stayAwake();
  document.addEventListener("visibilitychange", () => document.visibilityState === "visible" && stayAwake());
}

if (events.length === 0 && localStorage.getItem("ticks") === "off") {
  confirm("UNTICKED", 0, 1);
}
show();
setInterval(show, 100);
