// How long the present step has lasted, in seconds: while water waits, its time stands still.
export const elapsed = (present, now) =>
  Math.max(0, ((present.since || now) - present.poured - present.paused) / 1000);

// How far this browser's clock is from the server's, in milliseconds. An answer may be off by half its way, so the
// quickest one so far holds, unless a later one cannot be explained by that: then one of the clocks was set.
export class ServerClock {
  #offset;
  #surest = Infinity;

  constructor(serverNow, here) {
    this.#offset = serverNow - here;
  }

  get offset() {
    return this.#offset;
  }

  // An answer that says what the server's clock showed, asked for and heard at times of this browser's clock.
  agree(serverNow, asked, heard) {
    const way = heard - asked;
    const offset = serverNow + way / 2 - heard;
    const explained = Math.abs(offset - this.#offset) <= (way + this.#surest) / 2 + 50;
    if (way >= 0 && way < 2000 && (way <= this.#surest || !explained)) {
      this.#surest = way;
      this.#offset = offset;
    }
  }
}
