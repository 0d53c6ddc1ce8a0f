/** What a key does while logging, in the order in which they are set. */
export const KEY_ACTIONS = {
  clear: 'All good',
  left: 'Left',
  right: 'Right',
  next: 'Next',
  undo: 'Undo',
} as const;
export type KeyAction = keyof typeof KEY_ACTIONS;

/** Keys by what they do, as the browser names them; what a coach sets comes beside them. */
const USUAL: Record<string, KeyAction> = {
  ' ': 'clear',
  ArrowLeft: 'left',
  ArrowRight: 'right',
  n: 'next',
  Enter: 'next',
  u: 'undo',
  Backspace: 'undo',
};

/** Keys that a coach has set, by what they do. */
export type KeyMap = Partial<Record<KeyAction, string>>;

/** Keys that are not to be set: they move about, or are part of others. */
const NOT_SET = new Set([
  'Tab',
  'Escape',
  'Shift',
  'Control',
  'Alt',
  'Meta',
  'Dead',
  'Unidentified',
]);

/** Whether a key can be set. */
export const canBeSet = (key: string): boolean => !NOT_SET.has(key);

const letter = (key: string): string => (key.length === 1 ? key.toLowerCase() : key);

/**
 * What a key does; null for nothing. A key that a coach has set does that and no other.
 *
 * @example actionOf('PageDown', { clear: 'PageDown' }) // "clear"
 */
export function actionOf(key: string, own: KeyMap): KeyAction | null {
  const pressed = letter(key);
  const set = (Object.keys(KEY_ACTIONS) as KeyAction[]).find((action) => own[action] === pressed);
  return set ?? USUAL[pressed] ?? null;
}

/** A key map with one more key; the key does nothing else then. */
export function withKey(own: KeyMap, action: KeyAction, key: string): KeyMap {
  const kept = Object.entries(own).filter(([, other]) => other !== letter(key));
  return { ...Object.fromEntries(kept), [action]: letter(key) };
}

const WORDS: Record<string, string> = {
  ' ': 'Space',
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  PageUp: 'Page up',
  PageDown: 'Page down',
};

/** A key as it is called on the screen. */
export const keyWords = (key: string): string =>
  WORDS[key] ?? (key.length === 1 ? key.toUpperCase() : key);

/** The keys that do something, the coach's own first. */
export const keysFor = (action: KeyAction, own: KeyMap): string[] => [
  ...(own[action] ? [own[action]] : []),
  ...Object.keys(USUAL).filter((key) => actionOf(key, own) === action),
];
