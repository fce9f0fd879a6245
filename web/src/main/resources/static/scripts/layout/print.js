// Where a page is made to be printed, its button prints it.
document.querySelectorAll("[data-print]").forEach((button) => button.addEventListener("click", () => window.print()));
