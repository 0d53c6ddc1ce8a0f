import { useTranslations } from 'next-intl';
import { Link } from '@/ui/link';
import type { Hand } from '@/core/people';
import type { UnitPreferences } from '@/core/units';
import type { Student } from '@/data';
import { Button } from '@/ui/button';
import { format } from '@/ui/when';
import { rungWords } from '../drills/rung-words';
import {
  biasOf,
  nameOf,
  saysOf,
  showAmount,
  showInterval,
  windowSince,
} from '../students/skill-words';
import type { BlockFacts } from './facts';
import { passWord } from './outcome-words';
import type { ReviewRead } from './read-review';

/** The session from the top: what it says of each skill that it trained, and what comes next. */
export function Story({
  blocks,
  skills,
  read: { score, changes },
  student,
  units,
}: {
  blocks: BlockFacts[];
  /** What was trained, the first first. */
  skills: string[];
  read: ReviewRead;
  student: Student;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const last = blocks.at(-1);
  if (!last) return null;
  const putts = blocks.reduce((sum, { counts }) => sum + counts.putts, 0);
  const { next } = last;
  return (
    <section
      aria-label={t('session.reviewStory.summary')}
      className="flex flex-wrap items-center justify-between gap-x-8 gap-y-3 border-b-[length:var(--stroke)] border-ink bg-sheet px-4 py-4 md:px-7"
    >
      <div className="grid min-w-0 flex-1 basis-80 gap-1">
        {skills.map((skill, index) => (
          <p key={skill} className={index === 0 ? 'text-[1.125rem]' : 'text-[1rem]'}>
            <strong>{nameOf(skill)}:</strong>{' '}
            <SkillLine
              skill={skill}
              score={score}
              changed={changes[skill]}
              putts={putts}
              hand={student.hand}
            />
          </p>
        ))}
        {skills.length === 0 && (
          <p className="text-[1.125rem]">{t('session.reviewStory.nothingInThisSessionIs')}</p>
        )}
        {blocks.length > 1 && (
          <p className="text-[1rem]">
            {blocks
              .map(({ last: { drillName, layout }, counts }) =>
                t('session.reviewStory.of', {
                  drillName,
                  clear: counts.clear,
                  seen: counts.seen,
                  passWord: passWord(layout),
                }),
              )
              .join('; ')}
            .
          </p>
        )}
        <p className="text-[1.0625rem]">{t('session.reviewStory.whatNext', { why: next.why })}</p>
      </div>
      <Button asChild kind="primary" className="min-h-14 px-6 text-[1.0625rem] max-sm:w-full">
        <Link
          href={
            next.type === 'other'
              ? '/drills'
              : `/start?student=${student.id}&drill=${last.last.drillId}${next.rung === null ? '' : `&rung=${next.rung}`}`
          }
        >
          {next.type === 'other'
            ? t('session.reviewStory.findAnotherDrill')
            : next.rung === null
              ? t('session.reviewStory.repeatThisSession')
              : t('session.reviewStory.rung', {
                  rung: next.rung + 1,
                  ladder: rungWords(last.last.ladder[next.rung]!, units),
                })}
        </Link>
      </Button>
    </section>
  );
}

/** What a session says of one skill: on its own, with all before it, and how it has changed. */
function SkillLine({
  skill,
  score,
  changed,
  putts,
  hand,
}: {
  skill: string;
  score: ReviewRead['score'];
  changed: ReviewRead['changes'][string];
  /** Of the session, whatever they say. */
  putts: number;
  hand: Hand;
}) {
  const t = useTranslations();
  const told = score?.basis[skill] ?? 0;
  const [alone, carried] = [score?.alone[skill], score?.carried[skill]];
  if (told === 0 || !alone || !carried) {
    return <span className="text-ink2">{t('session.reviewStory.noDataFromThisSession')}</span>;
  }
  const { words, interval } = biasOf(skill, alone, hand);
  return (
    <>
      {t.rich('session.reviewStory.n8In10FromOf', {
        skill: saysOf(skill),
        skill2: showAmount(skill, alone.window.middle),
        skill3: showInterval(skill, alone.window),
        words,
        interval,
        told,
        putts,
        skill4: showAmount(skill, carried.window.middle),
        date: changed ? format(changed.since, 'd MMMM') : '',
        windowSince: changed ? windowSince(changed.change) : '',
        changed: String(!!changed),
        span: (chunks) => <span className="text-ink2">{chunks}</span>,
      })}
    </>
  );
}
