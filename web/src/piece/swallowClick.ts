/** The click that ends a pull or a carrying is not one: it goes nowhere. One that does not come takes no later one with it. */
export function swallowClick(button: HTMLElement) {
  const swallow = (click: MouseEvent) => click.stopPropagation();
  button.addEventListener('click', swallow, { capture: true, once: true });
  // A click follows its release at once, before anything that waits.
  setTimeout(() => button.removeEventListener('click', swallow, { capture: true }), 0);
}
