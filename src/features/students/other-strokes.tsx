import { useTranslations } from 'next-intl';
import { MANNERS } from '@/core/drill';
import { asSentence } from '@/core/units';
import type { Student } from '@/data';
import { nameOf, biasOf, showAmount, showInterval } from './skill-words';
import type { StrokeTold } from './strokes';

/** One-handed, blind or pushed putts: by themselves, beside the usual stroke; they never move its scores. */
export function OtherStrokes({ student, told }: { student: Student; told: StrokeTold[] }) {
  const t = useTranslations();
  if (told.length === 0) return null;
  return (
    <section
      aria-label={t('students.otherStrokes.otherStrokes')}
      className="border-b-[length:var(--stroke)] border-ink px-4 py-5 md:px-7"
    >
      <h2 className="text-[1.25rem] num">{t('students.otherStrokes.otherStrokes')}</h2>
      <p className="mt-1 max-w-[68ch] text-[1rem] text-ink2">
        {t('students.otherStrokes.puttsStruckDifferentlyFromUsual')}
      </p>
      <ul className="mt-3 grid gap-x-10 gap-y-4 lg:grid-cols-2">
        {told.map(({ manner, putts, skills }) => (
          <li key={manner} className="border-t border-rule pt-2">
            <p className="text-[1.0625rem] font-[640]">
              {asSentence(MANNERS[manner].label)}
              <span className="font-[400] text-ink2">
                {t('students.otherStrokes.putts', { putts })}
              </span>
            </p>
            <ul className="mt-1 grid gap-1 text-[1rem]">
              {skills.map(({ skill, other, usual }) => (
                <li key={skill}>
                  {nameOf(skill)} ±{showAmount(skill, other.window.middle)}{' '}
                  <span className="text-ink2">
                    {t('students.otherStrokes.n80Interval', {
                      skill: showInterval(skill, other.window),
                      words: biasOf(skill, other, student.hand).words,
                    })}
                    {usual &&
                      t('students.otherStrokes.usualStroke', {
                        skill: showAmount(skill, usual.window.middle),
                        words: biasOf(skill, usual, student.hand).words,
                      })}
                  </span>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}
