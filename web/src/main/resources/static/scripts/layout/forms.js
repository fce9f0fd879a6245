// Presses within 400 ms count once: a droplet or a double tap sends a form one time. The server counts it once anyway.
document.addEventListener("submit", (event) => {
  const form = event.target;
  const now = Date.now();
  if (now - Number(form.dataset.sentAt || 0) < 400) {
    event.preventDefault();
    return;
  }
  form.dataset.sentAt = String(now);
});

// Where the page answers as it changes, the button that asks for the answer is not needed.
document.documentElement.classList.add("answers-itself");
document.querySelectorAll("button.no-script").forEach((button) => button.remove());

// A file that would be refused for its size is named before it is sent.
document.addEventListener("change", (event) => {
  const field = event.target;
  if (!(field instanceof HTMLInputElement) || !field.dataset.mostBytes) {
    return;
  }
  const tooBig = [...field.files].some((file) => file.size > Number(field.dataset.mostBytes));
  field.setCustomValidity(tooBig ? field.dataset.tooBig : "");
  field.reportValidity();
});

// Where an answer changes the sentences beside fields, the fields say so too.
document.addEventListener("htmx:afterSettle", () => {
  document.querySelectorAll("[aria-describedby$='-error']").forEach((field) => {
    const sentence = document.getElementById(field.getAttribute("aria-describedby"));
    if (sentence) {
      field.setAttribute("aria-invalid", String(sentence.textContent.trim() !== ""));
    }
  });
});

// What takes longer than a moment says so, with a bar that moves as long as the answer is awaited.
document.addEventListener("submit", (event) => {
  const words = event.target.dataset?.slow;
  if (words) {
    const going = document.createElement("p");
    going.className = "slow-going";
    going.setAttribute("role", "status");
    const bar = document.createElement("progress");
    bar.setAttribute("aria-label", words);
    going.append(bar, words);
    event.target.after(going);
  }
});
