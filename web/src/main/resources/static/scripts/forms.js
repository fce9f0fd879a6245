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
