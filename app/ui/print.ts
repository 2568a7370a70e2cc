/** Prints one part of the page: the print styles follow the class on the body. */
export function printOnly(what: "card" | "log" | "a4" | "a5"): void {
  const name = `print-${what}`;
  document.body.classList.add(name);
  window.addEventListener("afterprint", () => document.body.classList.remove(name), { once: true });
  window.print();
}
