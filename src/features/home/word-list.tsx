import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import { FEELS } from '@/core/planning';
import type { HomeworkWord } from '@/data';
import { SentPicture } from './sent-picture';

/** What was said with a piece of homework, the oldest first. */
export function WordList({
  words,
  student,
  coach,
}: {
  words: HomeworkWord[];
  /** As each is called by who reads. */
  student: string;
  coach: string;
}) {
  const t = useTranslations();
  if (words.length === 0) return null;
  return (
    <ul aria-label={t('home.wordList.messages')} className="grid gap-2.5">
      {words.map(({ id, coachId, feel, text, photo, at }) => (
        <li
          key={id}
          className={
            coachId === null ? 'border-l-4 border-rule pl-3' : 'border-l-4 border-line pl-3'
          }
        >
          <p className="text-sm text-ink2">
            {coachId === null ? student : coach}, {format(at, 'd MMMM')}
            {feel !== null && (
              <>
                {' '}
                {t('home.wordList.felt')} <strong>{FEELS[feel - 1]}</strong>{' '}
                {t('home.wordList.of5', { feel })}
              </>
            )}
          </p>
          {text && <p className="text-[1rem] whitespace-pre-wrap">{text}</p>}
          {photo && (
            <SentPicture
              src={photo}
              alt={t('home.wordList.attachedPicture', { date: format(at, 'd MMMM') })}
            />
          )}
        </li>
      ))}
    </ul>
  );
}
