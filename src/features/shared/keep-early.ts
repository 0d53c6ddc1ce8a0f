/** Told in the page once it listens. */
export const AWAKE = 'dirigo-awake';

/**
 * Keeps what is touched and typed on a page that has come but does not listen yet, as on a phone with a weak signal, and hands it on
 * as soon as the page does. Each button is pressed once however often it was touched; a form is not sent to nowhere. Its text goes
 * into the page by itself: it knows nothing but what it is given.
 *
 * @param awake the event that tells that the page listens
 * @example keepEarly('awake'); button.click(); dispatchEvent(new Event('awake')) // pressed now
 */
export function keepEarly(awake: string): void {
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
  document.addEventListener('click', onClick, true);
  document.addEventListener('input', onInput, true);
  addEventListener(
    awake,
    () => {
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
    },
    { once: true },
  );
}
