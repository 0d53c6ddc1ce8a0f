/** Hands what an address holds to the browser as a file to be saved. */
export function saveUrl(name: string, url: string): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
}

/** Hands a text to the browser as a file to be saved. */
export function saveText(name: string, text: string, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  saveUrl(name, url);
  // Once the browser has taken it.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
