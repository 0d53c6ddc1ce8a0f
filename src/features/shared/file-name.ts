/** A name for a file from what it holds: small letters and dashes, nothing a system minds. */
export function fileName(words: string, ending: string): string {
  const plain = words
    .normalize('NFKD')
    .replace(/[^\w\s-]/g, '')
    .trim()
    .replace(/[\s_]+/g, '-')
    .toLowerCase();
  return `${plain || 'dirigo'}.${ending}`;
}
