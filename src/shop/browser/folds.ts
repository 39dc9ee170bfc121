/** Lists that unfold over the page close when something else is pressed, or with Escape. */
for (const fold of document.querySelectorAll<HTMLDetailsElement>('details[data-fold]')) {
  document.addEventListener('click', (event) => {
    if (!fold.contains(event.target as Node)) fold.open = false;
  });
  fold.addEventListener('keydown', (event) => {
    if (event.key !== 'Escape' || !fold.open) return;
    fold.open = false;
    fold.querySelector('summary')?.focus();
  });
}

export {};
