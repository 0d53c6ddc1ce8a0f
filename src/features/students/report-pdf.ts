import 'server-only';
import { format } from '@/ui/when';
import { showChance, showChanceRange, showLength, type UnitPreferences } from '@/core/units';
import type { Student } from '@/data';
import { flowOn } from '../sheet/flow';
import type { Paper } from '../sheet/paper';
import type { Known } from './read-student';
import { basisOfAll } from './reading';
import {
  biasOf,
  changeWords,
  endsOf,
  nameOf,
  ruledBias,
  ruledOf,
  saysOf,
  showAmount,
  showInterval,
} from './skill-words';

/** A student's report as a PDF: what the page says, and nothing that a coach noted. */
export function reportPdf(
  student: Student,
  coach: string,
  known: Known,
  units: UnitPreferences,
  paper: Paper,
  now: Date,
): Promise<Buffer> {
  const { scores, findings, changes, next, worth } = known;
  const [first, last] = [scores[0]!, scores.at(-1)!];
  const basis = basisOfAll(scores);
  const title = `${student.name}: how you putt`;
  const page = flowOn(paper, title);
  const sessions =
    scores.length === 1
      ? '1 session'
      : `${scores.length} sessions since ${format(first.at, 'd MMMM')}`;
  page.title(
    title,
    [format(now, 'd MMMM yyyy'), coach, `from ${sessions}`].filter(Boolean).join(' · '),
  );
  page.paragraph(
    'The middle of each ruler is what you intended. 8 of 10 of your putts fall inside the dark bar. Its pale ends show what is not certain yet. The ring is your average.',
    true,
  );
  for (const skill of ruledOf(basis)) {
    const score = last.carried[skill];
    if (!score || !basis[skill]) continue;
    const change = changes[skill]?.change;
    page.ruler({
      name: nameOf(skill),
      window: score.window,
      bias: ruledBias(skill, score.bias),
      ends: endsOf(skill, student.hand),
      value: `${saysOf(skill)} ±${showAmount(skill, score.window.middle)}`,
      words: [
        `80 % interval ${showInterval(skill, score.window)}`,
        biasOf(skill, score, student.hand).words,
        change && changeWords(change),
      ]
        .filter(Boolean)
        .join('; '),
    });
  }
  page.heading('What to practise');
  if (findings.length === 0) {
    page.paragraph(
      'No clear pattern in the misses yet. Keep using the gate below, with a cold test now and then.',
    );
  }
  for (const { seen, cause, drills } of findings.slice(0, 3)) {
    page.item(
      seen,
      [cause, drills.map(({ name, dose }) => `${name} (${dose})`).join(' · ')].join(' '),
    );
  }
  if (next) {
    page.paragraph(
      `Your next gate: ${showLength(next.gap, 'across', units)} between the tees, ${showLength(next.distance, 'along', units)} from the ball. About ${Math.round(next.share * 10)} in 10 should go through.`,
    );
  }
  if (worth) {
    page.heading('Putts holed by distance');
    page.table(
      [
        ['from', 'holed now', '80 % interval', 'first session'],
        ...worth.now.map(({ distance, made }, index) => [
          showLength(distance, 'putt', units),
          showChance(made.middle),
          showChanceRange(made.low, made.high),
          worth.first ? showChance(worth.first[index]!.made.middle) : '',
        ]),
      ],
      [0.25, 0.2, 0.3, 0.25],
    );
  }
  return page.end();
}
