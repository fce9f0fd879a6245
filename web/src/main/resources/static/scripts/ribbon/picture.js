// What the ribbon has to say, from the schedule that the server made, from where the run stands, and from the clock.
import { elapsed } from "./clock.js";

const GRACE = 5;

// The server made cues for longer than planned; here they end where pouring out begins.
const cuesOf = (step, out) =>
  step.cues
    .map(([at, lasts, turns, opening], later) => ({
      at,
      lasts: later ? lasts : Math.min(lasts || Infinity, out - at),
      turns,
      opening: opening === 1,
      kind: "move",
    }))
    .filter((cue) => cue.lasts > 0 && cue.at + cue.lasts <= out + 1e-6)
    .concat(step.open ? [] : [{ at: out, lasts: step.drain, kind: "out" }]);

export const picture = (run, now, clock) => {
  const step = run.steps[now.step];
  const next = run.steps[now.step + 1];
  if (now.done) {
    return { now, over: true, done: true, left: 0 };
  }
  if (!step) {
    return { now, next, left: run.steps[0].seconds, before: true };
  }
  const lasted = elapsed(now, clock);
  const length = step.seconds + now.changed;
  const left = length - lasted;
  const filled = step.fills > 0 && now.fills >= step.fills;
  const cues = cuesOf(step, length - step.drain);
  const filling = lasted < step.fill ? { at: 0, lasts: step.fill, kind: "fill" } : null;
  const active = filling || cues.filter((cue) => cue.at <= lasted + 1e-6 && lasted < cue.at + cue.lasts).pop();
  const coming = cues.filter((cue) => cue.at > lasted + 1e-6).sort((a, b) => a.at - b.at)[0];
  const ends = (cue) => cue.at + cue.lasts + GRACE;
  const due = cues.find(
    (cue) =>
      cue.kind === "move" &&
      lasted >= cue.at - 1 &&
      lasted <= ends(cue) &&
      !now.moved.some((at) => at >= cue.at - 1 && at <= ends(cue)),
  );
  const marks = [{ at: 0, lasts: step.fill, kind: "fill" }, ...cues];
  if (step.still) {
    marks.push(
      ...cues
        .filter((cue) => cue.kind === "move")
        .map((cue) => ({ at: cue.at + cue.lasts, lasts: 2, kind: "still" })),
    );
  }
  return { now, step, next, elapsed: lasted, left, length, over: left <= 0 || filled, active, coming, due, cues, marks };
};
