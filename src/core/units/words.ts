/** Numbers that are said with a vowel first: eight, eleven, eighteen, and what begins with eight. */
const VOWEL_NUMBER = /^(8|11(?!\d)|18(?!\d)|11,|18,)/;
const VOWEL_WORD = /^[aeiou]/i;

/**
 * A word or a length with its article, as it is said.
 *
 * @param what as it is shown, beginning with a number or a word
 * @returns "an 81 mm gate", "a 56 mm gate"
 * @example withArticle('11 mm gate') // "an 11 mm gate"
 */
export const withArticle = (what: string): string =>
  `${(/^\d/.test(what) ? VOWEL_NUMBER : VOWEL_WORD).test(what) ? 'an' : 'a'} ${what}`;

/**
 * Words as they begin a sentence.
 *
 * @param words at least one letter
 * @example asSentence('over 99 % sure') // "Over 99 % sure"
 */
export const asSentence = (words: string): string =>
  `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
