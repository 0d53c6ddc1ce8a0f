import { TYPE, parse, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { printAST } from '@formatjs/icu-messageformat-parser/printer.js';

const PLAIN = 'AEIOUYaeiouycnsz';
const ACCENTED = 'ÂÊÎÖÛŸâéîöûÿçñšž';

/** How much longer the pseudo-language is than English. German is about 30 % longer. */
const LONGER = 0.4;

const accent = (text: string): string =>
  [...text].map((letter) => ACCENTED[PLAIN.indexOf(letter)] ?? letter).join('');

/** Lengthens each word by its share, so that a line breaks where it would in a real language. */
function lengthen(text: string): string {
  let letters = 0;
  let dots = 0;
  return text.replace(/\p{L}+/gu, (word) => {
    letters += word.length;
    const more = Math.round(letters * LONGER) - dots;
    dots += more;
    return accent(word) + '·'.repeat(more);
  });
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
 * Returns a message in the pseudo-language: its vowels accented, and dots after each word to make it 40 % longer. A screen in it
 * shows which texts do not come from the catalogue, and which do not fit once they are translated.
 *
 * @example pseudoMessage('Save {name}') // 'Sâvé·· {name}'
 */
export const pseudoMessage = (message: string): string => printAST(elements(parse(message)));

/** Returns a whole catalogue in the pseudo-language. */
export function pseudo<T>(messages: T): T {
  if (typeof messages === 'string') return pseudoMessage(messages) as T;
  return Object.fromEntries(
    Object.entries(messages as Record<string, unknown>).map(([key, value]) => [key, pseudo(value)]),
  ) as T;
}
