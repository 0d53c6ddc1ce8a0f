'use client';

import { Undo2, X } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState, useTransition } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { toast } from 'sonner';
import {
  endedWords,
  playRule,
  ruleGround,
  rulePutts,
  tallyRuns,
  type Cap,
  type Rule,
  type RunPutts,
} from '@/core/drill';
import { loggedElements, type Layout, type Outcome, type Standing } from '@/core/layout';
import { showLength, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { releaseFocus } from '@/ui/release-focus';
import { LayoutDrawing } from '../drills/layout-drawing';
import { showErrors } from '../shared/show-errors';
import { finish, move, reopen } from './actions';
import { useKeptPage } from './keep-page';
import { Key, SmallKey, keysOf } from './keys';
import { MoreTouch } from './more-touch';
import { passWord, primaryOutcomes } from './outcome-words';
import { Refusal, SavingSign } from './saving-sign';
import { SetUp } from './set-up';
import { Strip } from './strip';
import { useRun } from './use-run';
import type { WirePutt } from './wire';

export interface LoggingProps {
  sessionId: string;
  runId: string;
  student: { id: string; name: string };
  drillName: string;
  layout: Layout;
  putts: WirePutt[];
  units: UnitPreferences;
  rule: Rule;
  cap: Cap;
  /** The rungs of the drill's ladder in words, the one played on, and the one begun on, from 0. */
  ladder: string[];
  rung: number | null;
  begunOn: number | null;
  /** Runs before this one in the session. */
  earlier: RunPutts[];
}

const SIDE_OF_KEY: Record<string, Outcome['side']> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  Space: 'middle',
};

/** Two touches nearer than this are one, ms: nobody putts so fast. */
const ONE_TOUCH = 250;

/** Logging: the drawing above, the thumb zone below; one touch a putt. */
export function Logging({
  sessionId,
  runId,
  student,
  drillName,
  layout,
  putts: initial,
  units,
  rule,
  cap,
  ladder,
  rung,
  begunOn,
  earlier,
}: LoggingProps) {
  const router = useRouter();
  useKeptPage();
  const [busy, work] = useTransition();
  const { primary, others } = useMemo(() => loggedElements(layout), [layout]);
  const outcomes = useMemo(() => primary?.outcomes() ?? [], [primary]);
  const [also, setAlso] = useState<Record<string, string>>({});
  const run = useRun(runId, initial, (count) =>
    toast(
      `${count === 1 ? 'A putt' : `${count} putts`} came from another screen. All are kept, in order of arrival.`,
    ),
  );
  const logged = run.putts.map((putt) => putt.outcomes);
  const shown = primaryOutcomes(layout, logged);
  const counts = tallyRuns([
    ...earlier.map((one) => ({ ...one, putts: one.putts.map((putt) => putt.outcomes) })),
    { layout, putts: logged },
  ]);
  const word = passWord(layout);
  const here = run.putts.map(({ outcomes: what, at }) => ({ outcomes: what, at: new Date(at) }));
  const progress = playRule(
    rule,
    cap,
    ruleGround(layout, ladder.length, begunOn),
    rulePutts([...earlier, { layout, putts: here }]),
  );
  /** The rung that the rule asks for, when it is another than the one that stands. */
  const nextRung =
    progress.ended === null && progress.rung !== null && progress.rung !== (rung ?? 0)
      ? progress.rung
      : null;
  const ended = endedWords(progress, cap);
  // The coach may go on when the rule has ended; the putts are kept and scored, the rule counts no more.
  const [goesOn, setGoesOn] = useState(false);
  const asks = (ended !== null || nextRung !== null) && !goesOn;

  const touched = useRef(-Infinity);
  const log = (outcome: Outcome, at?: number) => {
    if (!primary || asks) return;
    if (at !== undefined) {
      if (at - touched.current < ONE_TOUCH) return;
      touched.current = at;
    }
    const rest = others.map((other) => [other.id, also[other.id] ?? other.outcomes()[0]!.id]);
    run.log({ [primary.id]: outcome.id, ...Object.fromEntries(rest) });
    setAlso({});
  };
  const keys = keysOf(outcomes);
  const by = (side: Outcome['side']) => keys?.find((key) => key?.place === side)?.outcome;
  useHotkeys('space, left, right', (event) => {
    if (event.repeat || (event.target instanceof Element && event.target.closest('button, a')))
      return;
    event.preventDefault();
    const outcome = by(SIDE_OF_KEY[event.code] ?? 'middle') ?? null;
    if (outcome) log(outcome);
  });
  useHotkeys('u, backspace', (event) => {
    if (!event.repeat) run.undo?.();
  });

  const wide = useWide();
  const done = () =>
    work(async () => {
      if (!(await run.flush())) {
        toast.error(
          'Some putts have not reached the server yet. They are kept here; finish when it answers.',
        );
        return;
      }
      const result = await finish(sessionId);
      if (!showErrors(result)) return;
      if (result.value === 'empty') {
        toast('Nothing was logged, so the session was not kept.');
        router.push('/');
      } else {
        router.push(`/sessions/${sessionId}/review`);
      }
    });

  const climb = (to: number) =>
    work(async () => {
      if (!(await run.flush())) {
        toast.error('Some putts have not reached the server yet. They are kept here; try again.');
        return;
      }
      if (showErrors(await move({ sessionId, rung: to }))) router.refresh();
    });

  return (
    <main className="grid h-dvh grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)_auto] overflow-hidden bg-sheet">
      <header className="flex items-start justify-between gap-3 border-b-[length:var(--stroke)] border-ink px-4 pt-3 pb-2.5">
        <div className="min-w-0">
          <p className="truncate text-[16px]">
            <strong>{student.name}</strong>
            <span className="text-ink2">
              {' '}
              · {drillName}
              {rung !== null && `, rung ${rung + 1}`}
            </span>
          </p>
          <p
            className="mt-1 flex flex-wrap items-baseline gap-x-2 leading-none"
            role="status"
            aria-label="count"
          >
            <span className="text-[44px] font-[760] tracking-tight [font-stretch:84%]">
              {rule.type === 'open' ? counts.clear : progress.words.count}
            </span>
            <span className="text-[19px] font-[560] text-ink2">
              {rule.type === 'open' ? `of ${counts.putts} ${word}` : progress.words.of}
            </span>
          </p>
          <p className="mt-1.5 text-[15px] text-ink2">
            {rule.type === 'open'
              ? `${counts.streak} in a row · best ${counts.best}`
              : progress.words.line}
          </p>
        </div>
        <div className="flex shrink-0 flex-col items-end gap-2">
          <Button kind="plain" onClick={done} disabled={busy}>
            Finish
          </Button>
          <Button asChild kind="quiet" className="min-h-8 px-1 text-sm text-ink2">
            <Link href={`/students/${student.id}`}>
              <X size={15} aria-hidden /> leave open
            </Link>
          </Button>
        </div>
      </header>
      <div className="min-h-0">
        <LayoutDrawing
          layout={layout}
          units={units}
          lie={wide ? 'along' : 'up'}
          brief={!wide}
          targets={outcomes.flatMap(({ at, side, tee, ...outcome }) =>
            at && tee && side !== 'middle'
              ? [
                  {
                    id: `${primary!.id}/${outcome.id}`,
                    name: `${outcome.label}, ${outcome.detail}`,
                    label: outcome.detail.replace('tee ', ''),
                    side,
                    at,
                  },
                ]
              : [],
          )}
          onTouch={(id, at) => {
            const outcome = outcomes.find((one) => `${primary!.id}/${one.id}` === id);
            if (outcome) log(outcome, at);
          }}
        />
      </div>
      <footer className="grid grid-cols-[minmax(0,1fr)] gap-2.5 border-t-[length:var(--stroke)] border-ink bg-paper px-3.5 pt-2.5 pb-4">
        <div className="flex min-h-7 items-center justify-between gap-3">
          <div className="flex min-w-0 justify-end overflow-hidden">
            <Strip outcomes={shown.slice(-(wide ? 40 : 10))} breaks={Infinity} />
          </div>
          <SavingSign saving={run.saving} unsaved={run.unsaved} entering={run.entering} />
        </div>
        <Refusal
          saving={run.saving}
          unsaved={run.unsaved}
          finished={run.finished}
          onReopen={() =>
            work(async () => {
              if (showErrors(await reopen(sessionId))) await run.flush();
            })
          }
          onDiscard={() => void run.discard()}
          sessionId={sessionId}
        />
        {asks && (
          <div className="grid gap-2.5" role="status" aria-label="the rule">
            <p className="text-[19px] font-[680]">
              {nextRung === null
                ? ended
                : `${nextRung > (rung ?? 0) ? 'Up' : 'Down'} to rung ${nextRung + 1}: ${ladder[nextRung]}.`}
            </p>
            <div className="grid grid-cols-2 gap-2.5">
              <Button className="min-h-14 text-[17px]" onClick={() => setGoesOn(true)}>
                {nextRung === null ? 'Go on all the same' : 'Stay on this one'}
              </Button>
              {nextRung !== null && (
                <Button
                  kind="primary"
                  className="min-h-14 text-[18px]"
                  onClick={() => climb(nextRung)}
                  disabled={busy}
                >
                  It stands
                </Button>
              )}
              {nextRung === null && (
                <Button
                  kind="primary"
                  className="min-h-14 text-[18px]"
                  onClick={done}
                  disabled={busy}
                >
                  Finish
                </Button>
              )}
            </div>
          </div>
        )}
        {!asks && others.length > 0 && (
          <MoreTouch
            elements={others}
            chosen={also}
            onChoose={(element, outcome) => setAlso((old) => ({ ...old, [element]: outcome }))}
          />
        )}
        {asks ? null : keys ? (
          <div className="grid grid-cols-[1fr_1.9fr_1fr] gap-2.5">
            {keys.map(({ place, outcome }) => (
              <Key key={outcome.id} side={place} onPress={(at) => log(outcome, at)}>
                {place === 'left' && outcome.side === 'left' && '◀ '}
                {place === 'middle' ? outcome.label : outcome.label.toLowerCase()}
                {place === 'right' && outcome.side === 'right' && ' ▶'}
                <small>{outcome.detail}</small>
              </Key>
            ))}
          </div>
        ) : (
          <div className="grid grid-cols-4 gap-1.5">
            {outcomes.map((outcome) => (
              <SmallKey key={outcome.id} outcome={outcome} onPress={(at) => log(outcome, at)} />
            ))}
          </div>
        )}
        <div className="flex items-center justify-between gap-3">
          <p className="min-w-0 text-sm text-ink2">
            {wide ? 'space clear · ← → the tee · U undo' : gapWords(primary, units)}
          </p>
          <div className="flex shrink-0 gap-2.5">
            <SetUp runId={runId} layout={layout} units={units} />
            <Button
              className="min-h-12"
              disabled={!run.undo}
              onClick={(event) => {
                releaseFocus(event);
                run.undo?.();
              }}
            >
              <Undo2 size={18} aria-hidden /> Undo
            </Button>
          </div>
        </div>
      </footer>
    </main>
  );
}

/** The one gap to have in mind. */
function gapWords(element: Standing | null, units: UnitPreferences): string {
  const [check] = element?.checks() ?? [];
  return check ? `${showLength(check.metres, 'across', units)} ${check.name}` : '';
}

/** Whether the drawing lies along the screen: on anything wider than it is high and wider than a phone. */
function useWide(): boolean {
  const [wide, setWide] = useState(false);
  useEffect(() => {
    const query = window.matchMedia('(min-width: 900px) and (orientation: landscape)');
    const update = () => setWide(query.matches);
    update();
    query.addEventListener('change', update);
    return () => query.removeEventListener('change', update);
  }, []);
  return wide;
}
