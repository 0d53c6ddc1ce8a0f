import { htmlOf, t } from 'tests/english';
import type { Totals } from '@/core/planning';
import { eightInTenWindow } from '@/core/scoring';
import { DEGREE } from '@/core/units';
import type { Appointment, Programme } from '@/data';
import { WeekMarks } from '../home/week-marks';
import { Agenda } from './agenda';
import { HourDrawn } from './hour-line';
import { OfferList } from './offer-list';
import type { Offer } from './plan-shape';
import { aimSaid, aimWords } from './programme-page';
import { Week } from './week';

const text = (html: string) =>
  html
    .replaceAll(/<[^>]*>/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();

const offer = (name: string, phase: Offer['phase'], median: number): Offer => ({
  ref: name,
  name,
  phase,
  trains: 'start line',
  meets: [],
  rungs: [],
  players: [],
  times: [],
  putts: [],
  span: { median, late: 1.5 * median },
  unsuited: null,
});

describe('the hour as a line', () => {
  const blocks = [
    offer('Cold test', 'test', 6),
    offer('Straight gate', 'technique', 20),
    offer('Four round', 'pressure', 10),
  ].map((one) => ({ id: one.name, offer: one }));
  const totals: Totals = { median: 38, late: 52, putts: 70, rests: 2, tooMany: false };
  const drawn = (minutes: number, width = 760) =>
    htmlOf(<HourDrawn blocks={blocks} totals={totals} minutes={minutes} width={width} />);
  const rects = (html: string) =>
    [...html.matchAll(/<rect x="([\d.]+)"[^>]*? width="([\d.]+)"/g)].map((found) => ({
      x: Number(found[1]),
      width: Number(found[2]),
    }));

  it('says in words what it shows', () => {
    expect(drawn(45)).toContain(
      'aria-label="Plan timeline: A Cold test, 6 minutes; B Straight gate, 20 minutes; C Four round, 10 minutes. In total 38 minutes, with a 90 % chance of finishing within 52. You asked for 45."',
    );
    expect(text(drawn(45))).toContain('45 min requested');
    expect(text(drawn(45))).toContain('90 % chance of finishing within 52 min');
  });

  it('has the drills one after the other, as long as their medians, to the median of the whole', () => {
    const [a, b, c, pale] = rects(drawn(60)) as [
      { x: number; width: number },
      { x: number; width: number },
      { x: number; width: number },
      { x: number; width: number },
    ];
    // A hair is left between them.
    expect(b.x).toBeCloseTo(a.x + a.width + 1.5, 6);
    expect(c.x).toBeCloseTo(b.x + b.width + 1.5, 6);
    expect((b.width + 1.5) / (a.width + 1.5)).toBeCloseTo(20 / 6, 6);
    expect(pale.x).toBeCloseTo(c.x + c.width + 1.5, 6);
    // 14 minutes from the median to nine in ten, by the same scale as the 38.
    expect(pale.width / (pale.x - a.x)).toBeCloseTo(14 / 38, 6);
  });

  it('draws nothing beyond its room, however narrow', () => {
    for (const width of [300, 420, 1000]) {
      for (const { x, width: wide } of rects(drawn(20, width))) {
        expect(x + wide).toBeLessThanOrEqual(width);
      }
    }
  });
});

describe('drills to choose from', () => {
  it('has those of the place that is asked of first', () => {
    const offers = [offer('Gate', 'technique', 9), offer('Round', 'pressure', 5)];
    const list = (first?: Offer['phase']) =>
      text(
        htmlOf(<OfferList offers={offers} {...(first && { first })} onChoose={() => undefined} />),
      );
    expect(list()).toMatch(/^technique Gate .* pressure Round/);
    expect(list('pressure')).toMatch(/^pressure Round .* technique Gate/);
  });
});

const date = (more: Partial<Appointment>): Appointment => ({
  id: 'a',
  studentId: 's',
  programmeId: null,
  planId: null,
  day: '2026-03-24',
  time: '17:00',
  zone: 'Europe/Amsterdam',
  minutes: 60,
  kind: 'lesson',
  skills: ['strike', 'pace'],
  retest: null,
  state: 'planned',
  note: '',
  ...more,
});
const nameOf = () => 'Wren Halloway';

describe('the diary', () => {
  it('goes day by day, and tells today and what was missed', () => {
    const said = text(
      htmlOf(
        <Agenda
          dates={[
            date({ id: 'b', day: '2026-03-23', kind: 'practice', time: null, state: 'missed' }),
            date({}),
          ]}
          nameOf={nameOf}
          today="2026-03-24"
        />,
      ),
    );
    expect(said).toMatch(
      /^Mon 23 Mar ○ Wren Halloway practice: strike and pace 60 min · missed Tue 24 Mar today ■/,
    );
  });

  it('says when nothing is in it', () =>
    expect(text(htmlOf(<Agenda dates={[]} nameOf={nameOf} today="2026-03-24" />))).toBe(
      'The diary is empty for these days.',
    ));

  it('has a week of seven days from Monday, each date on its own', () => {
    const html = htmlOf(
      <Week
        monday="2026-03-23"
        dates={[date({}), date({ id: 'c', day: '2026-03-29', kind: 'test', skills: [] })]}
        nameOf={nameOf}
        today="2026-03-24"
      />,
    );
    const days = html
      .split('<h3')
      .slice(1)
      .map((part) => text(`<h3${part}`));
    expect(days).toHaveLength(7);
    expect(days[0]).toBe('Mon 23 Mar');
    expect(days[1]).toMatch(/^Tue 24 Mar , today 17:00 Wren Halloway ■ lesson, 60 min strike/);
    expect(days[6]).toContain('△ cold test');
  });
});

describe('the aim of a programme', () => {
  const aim = (window: number): Pick<Programme, 'aim'> => ({
    aim: { skill: 'start', window, by: '2026-04-26' },
  });
  /** Players whose windows are 0.6° to 1.4°, evenly. */
  const points = {
    bias: new Float64Array(100),
    spread: Float64Array.from(
      { length: 100 },
      (_, i) => ((0.6 + (0.8 * i) / 99) * DEGREE) / eightInTenWindow(0, 1),
    ),
  };

  it('is said with its unit and its day', () =>
    expect(aimSaid(t, aim(0.8 * DEGREE))).toBe('8 in 10 putts start within ±0.80° by Sun 26 Apr'));

  it('is as likely met as the share of what the player may be that meets it', () => {
    expect(aimWords(t, aim(0.801 * DEGREE), points, 60)).toBe(
      'The window is ±1.00° now. The chance that the goal is already met is 25 %.',
    );
    expect(aimWords(t, aim(1.35 * DEGREE), points, 60)).toMatch(/very likely met \(9\d %\)/);
    expect(aimWords(t, aim(0.2 * DEGREE), points, 60)).toContain('under 1 %');
  });

  it('is not judged before a putt told of it', () =>
    expect(aimWords(t, aim(0.8 * DEGREE), points, 0)).toBe('No putts for this skill yet.'));
});

describe('a week of homework', () => {
  it('has a mark for each that was asked, filled for what was done', () => {
    const html = htmlOf(<WeekMarks week={{ from: '2026-03-02', asked: 3, done: 2, now: true }} />);
    expect(html).toContain('aria-label="2 of 3 done"');
    expect(html.match(/rounded-full/g)).toHaveLength(3);
    expect(html.match(/bg-ink/g)).toHaveLength(2);
  });
});
