import { entryWords, type Entry } from '@/core/planning';

/** What a date is, told by shape too. */
export const KINDS = {
  lesson: { name: 'lesson', shape: '■' },
  practice: { name: 'practice', shape: '○' },
  test: { name: 'cold test', shape: '△' },
} as const;

/** What a date is for, beside what kind it is. */
export function forWhat(entry: Pick<Entry, 'kind' | 'skills' | 'retest'>): string {
  const words = entryWords(entry as Entry);
  return entry.kind === 'test' ? words.replace(/^cold test(, then )?/, '') : words;
}

/** "17:00, 60 min", or only the minutes where no time is set. */
export const timeWords = ({ time, minutes }: Pick<Entry, 'time' | 'minutes'>): string =>
  `${time ? `${time}, ` : ''}${minutes} min`;

export const STATES: Record<Entry['state'], string> = {
  planned: '',
  done: 'done',
  missed: 'missed',
};
