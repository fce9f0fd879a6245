// Where a run stands: what was confirmed of it, folded just as the server folds it (RunPresent). Times are milliseconds.
export const begin = Object.freeze({
  step: -1,
  poured: 0,
  changed: 0,
  paused: 0,
  since: 0,
  fills: 0,
  moved: Object.freeze([]),
  done: false,
});

const within = (now, event) => {
  switch (event.kind) {
    case "CHANGE":
      return { ...now, changed: now.changed + event.value };
    case "PAUSE":
      return now.since ? now : { ...now, since: event.at };
    case "GO_ON":
      return now.since ? { ...now, paused: now.paused + event.at - now.since, since: 0 } : now;
    case "FILL":
      return { ...now, fills: now.fills + 1 };
    case "MOVED":
      return { ...now, moved: [...now.moved, (event.at - now.poured) / 1000] };
    case "DONE":
      return { ...now, done: true };
    default:
      return now;
  }
};

const after = (now, event, steps) => {
  if (now.done) {
    return now;
  }
  if (event.kind === "POUR") {
    return event.step > now.step && event.step < steps ? { ...begin, step: event.step, poured: event.at } : now;
  }
  return now.step >= 0 && event.step === now.step ? within(now, event) : now;
};

export const fold = (steps, events) => events.reduce((now, event) => after(now, event, steps), begin);

// Which press takes the run on, just as the server has it (RunPresent.press).
export const press = (now, step, last, over, due) => {
  if (now.done) {
    return "NONE";
  }
  if (now.step < 0) {
    return "POUR";
  }
  const on = last ? "DONE" : "POUR";
  if (step.open) {
    return on;
  }
  if (now.fills < step.fills) {
    return "FILL";
  }
  if (over) {
    return on;
  }
  return due ? "MOVED" : "NONE";
};
