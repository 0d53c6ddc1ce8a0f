/** Events in the page: it listens now; the search opens, with what was typed into it already. */
export const EARLY = { awake: 'dirigo-awake', search: 'dirigo-search' } as const;

/**
 * Keeps what is touched and typed on a page that has come but does not listen yet, as on a phone with a weak signal, and hands it on
 * as soon as the page does. Each button is pressed once however often it was touched; a form is not sent to nowhere; what is typed
 * after Ctrl K is for the search. Its text goes into the page by itself: it knows nothing but what it is given.
 *
 * @param events their names: that the page listens, and what was typed for the search
 * @example keepEarly(EARLY); button.click(); dispatchEvent(new Event(EARLY.awake)) // pressed now
 */
export function keepEarly({ awake, search }: typeof EARLY): void {
  const touched = new Set<HTMLElement>();
  const typed = new Map<HTMLInputElement | HTMLTextAreaElement, string>();
  const onClick = (event: Event) => {
    const button = (event.target as Element).closest<HTMLButtonElement>('button, [role="button"]');
    // A form that has a place to go to is kept by whoever gave it that.
    if (!button || button.form?.hasAttribute('action')) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    touched.add(button);
  };
  const onInput = (event: Event) => {
    const field = event.target;
    if (field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement) {
      typed.set(field, field.value);
    }
  };
  let sought: string | null = null;
  const onKey = (event: KeyboardEvent) => {
    if ((event.ctrlKey || event.metaKey) && event.key === 'k') sought ??= '';
    else if (sought === null || event.key.length > 1 || event.ctrlKey || event.metaKey) return;
    else sought += event.key;
    event.preventDefault();
  };
  document.addEventListener('keydown', onKey, true);
  document.addEventListener('click', onClick, true);
  document.addEventListener('input', onInput, true);
  addEventListener(
    awake,
    () => {
      document.removeEventListener('keydown', onKey, true);
      document.removeEventListener('click', onClick, true);
      document.removeEventListener('input', onInput, true);
      for (const [field, text] of typed) {
        if (!field.isConnected || field.value === text) continue;
        // As typing does it: whoever holds the field hears of it.
        const kind = field instanceof HTMLInputElement ? HTMLInputElement : HTMLTextAreaElement;
        Object.getOwnPropertyDescriptor(kind.prototype, 'value')!.set!.call(field, text);
        field.dispatchEvent(new Event('input', { bubbles: true }));
      }
      for (const button of touched) {
        if (button.isConnected) button.click();
      }
      if (sought !== null) dispatchEvent(new CustomEvent(search, { detail: sought }));
    },
    { once: true },
  );
}
