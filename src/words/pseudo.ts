import { TYPE, parse, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { printAST } from '@formatjs/icu-messageformat-parser/printer.js';

const PLAIN = 'AEIOUYaeiouycnsz';
const ACCENTED = 'ÂÊÎÖÛŸâéîöûÿçñšž';

/** How much longer the pseudo-language is than English. German is about 30 % longer. */
const LONGER = 0.4;

const accent = (text: string): string =>
  [...text].map((letter) => ACCENTED[PLAIN.indexOf(letter)] ?? letter).join('');

function lengthen(text: string): string {
  const letters = text.match(/\p{L}/gu)?.length ?? 0;
  return letters === 0 ? text : accent(text) + '·'.repeat(Math.ceil(letters * LONGER));
}

function elements(all: MessageFormatElement[]): MessageFormatElement[] {
  return all.map((element) => {
    if (element.type === TYPE.literal) return { ...element, value: lengthen(element.value) };
    if (element.type === TYPE.tag) return { ...element, children: elements(element.children) };
    if (element.type === TYPE.select || element.type === TYPE.plural) {
      const options = Object.entries(element.options).map(
        ([name, { value, ...rest }]) => [name, { ...rest, value: elements(value) }] as const,
      );
      return { ...element, options: Object.fromEntries(options) };
    }
    return element;
  });
}

/**
 * Returns a message in the pseudo-language: every vowel accented, and dots after it to make it 40 % longer. A screen in it
 * shows which texts do not come from the catalogue, and which do not fit once they are translated.
 *
 * @example pseudoMessage('Save {name}') // 'Sâvé {name}··'
 */
export const pseudoMessage = (message: string): string => printAST(elements(parse(message)));

/** Returns a whole catalogue in the pseudo-language. */
export function pseudo<T>(messages: T): T {
  if (typeof messages === 'string') return pseudoMessage(messages) as T;
  return Object.fromEntries(
    Object.entries(messages as Record<string, unknown>).map(([key, value]) => [key, pseudo(value)]),
  ) as T;
}
