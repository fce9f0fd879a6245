// Something went wrong: what to do now, from words that came with the page, so that no answer waits for the server. The
// clock goes on behind it.
export const accidents = ({ root, run, by, text, shown, state, present, confirm, heard, last }) => {
  const words = run.accidents;
  const choices = [...document.querySelectorAll("[data-accident]")];
  const others = [...document.querySelectorAll("[data-other]")];
  let noted = 0;
  let chosen = null;
  let step = 0;

  const isOpen = () => !by("wrong-panel").hidden;
  const pressedIs = (buttons, which) => buttons.forEach((each) => each.setAttribute("aria-pressed", String(each === which)));

  const open = () => {
    by("wrong-panel").hidden = false;
    root.classList.add("telling");
    forget();
    choices[0].focus();
  };
  const forget = () => {
    noted = 0;
    chosen = null;
    pressedIs(choices, null);
    pressedIs(others, null);
    root.classList.remove("told");
    by("wrong-told").hidden = true;
    by("wrong-first").hidden = false;
    by("wrong-else").hidden = true;
  };
  const back = () => {
    by("wrong-panel").hidden = true;
    root.classList.remove("telling");
    by(chosen && chosen.measured ? "celsius" : "wrong").focus();
  };
  const takeBack = () => {
    if (noted) {
      confirm("TAKEN_BACK", step, noted);
      noted = 0;
    }
  };

  const tell = (other) => {
    takeBack();
    const p = present();
    const at = words.list.indexOf(chosen);
    step = Math.max(0, state().step);
    const key = other === null ? words.bySteps[step][at] : words.others[step][chosen.number][other];
    confirm("TROUBLE", step, chosen.number + (other === null ? 0 : 100 * (other + 1)));
    noted = last();
    const answer = words.answers[key];
    text("wrong-now", answer.now);
    text("wrong-more", answer.more);
    text("wrong-film", answer.film);
    text("wrong-bottle", answer.bottle);
    text("wrong-asks", chosen.asks);
    by("wrong-which").hidden = !chosen.asks;
    by("wrong-bar").hidden = !answer.bars || !run.started;
    by("wrong-bar").disabled = false;
    text("wrong-bar", answer.bars);
    const when = p.step && !p.done ? ` at ${shown(Math.floor(p.elapsed))} into ${p.step.letters ? `the ${p.step.name.toLowerCase()}` : "the water"}` : "";
    text("wrong-noted", `Written down${when}: ${chosen.words.toLowerCase()}. It comes up when you look at this film.`);
    root.classList.add("told");
    by("wrong-told").hidden = false;
    by("wrong-first").hidden = true;
    by("wrong-else").hidden = false;
  };

  choices.forEach((button) =>
    button.addEventListener("click", () => {
      chosen = words.list.find((each) => each.number === Number(button.dataset.accident));
      pressedIs(choices, button);
      pressedIs(others, null);
      tell(null);
      (chosen.asks ? others[0] : by("wrong-back")).focus();
    }),
  );
  others.forEach((button) =>
    button.addEventListener("click", () => {
      pressedIs(others, button);
      tell(Number(button.dataset.other));
      (by("wrong-bar").hidden ? by("wrong-back") : by("wrong-bar")).focus();
    }),
  );
  by("wrong-else").addEventListener("click", () => {
    takeBack();
    forget();
    choices[0].focus();
  });
  by("wrong-back").addEventListener("click", back);
  by("wrong-bar").addEventListener("click", async () => {
    const form = by("bars");
    try {
      if (!(await heard())) {
        throw new Error("not heard");
      }
      const answer = await fetch(form.action, { method: "POST", body: new URLSearchParams(new FormData(form)) });
      const bars = await answer.json();
      by("wrong-bar").disabled = true;
      text("wrong-bar", bars.sentence);
      by("wrong-back").focus();
    } catch {
      text("wrong-bar", "The server does not answer. Keep the bottles apart, and press again.");
    }
  });

  // Arrows go through the list; Escape goes back. Space and Enter press what has the focus.
  const key = (event) => {
    if (!isOpen()) {
      return false;
    }
    const move = { ArrowDown: 1, ArrowUp: -1, ArrowRight: 1, ArrowLeft: -1 }[event.key];
    const among = others.includes(document.activeElement) ? others : choices;
    if (event.key === "Escape") {
      back();
    } else if (move) {
      const at = among.indexOf(document.activeElement);
      among[(at + move + among.length) % among.length].focus();
      event.preventDefault();
    }
    return true;
  };

  const show = (when, what) => text("wrong-behind", `The clock goes on behind this. ${when}: ${what}.`);
  return { open, key, isOpen, show };
};
