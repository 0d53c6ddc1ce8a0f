'use client';

import { Undo2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState, useTransition, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { toast } from 'sonner';
import { endedWords, type Guess } from '@/core/drill';
import { judge, loggedElements, type Outcome, type Spot } from '@/core/layout';
import { showLength, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { releaseFocus } from '@/ui/release-focus';
import { LayoutDrawing } from '../drills/layout-drawing';
import { showErrors } from '../shared/show-errors';
import type { ActionResult } from '../shared/result';
import { Ask } from './ask';
import { askedOf } from './asking';
import { useCues } from './cues';
import { FinishPicture } from './finish-picture';
import { keysOf } from './keys';
import { MoreMenu, type SwapTo } from './more-menu';
import { MoreTouch, PointPicture, type Touched } from './more-touch';
import type { DrillOption } from './options';
import { primaryOutcomes } from './outcome-words';
import type { Play, PlayerRun } from './play';
import { PlayerHead } from './player-head';
import { PuttsSheet } from './putts-sheet';
import type { RunStore, RunView } from './run-store';
import { Refusal, SavingSign } from './saving-sign';
import { SetUp } from './set-up';
import { Strip } from './strip';
import { ThumbKeys } from './thumb-keys';
import { useWays } from './ways';
import { useWide } from './use-wide';

const SIDE_OF_KEY: Record<string, Outcome['side']> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  Space: 'middle',
};

/** Two touches nearer than this are one, ms: nobody putts so fast. */
const ONE_TOUCH = 250;
/** A proposal that was refused is not made again for so many putts. */
const PATIENCE = 10;

/** One player of a session in front: the drawing above, the thumb zone below; one touch a putt. */
export function PlayerScreen({
  player,
  store,
  view,
  play,
  units,
  drills,
  stands,
  grouped,
  won,
  rotation,
  onLogged,
  onFinish,
  busy: finishing,
}: {
  player: PlayerRun;
  store: RunStore;
  view: RunView;
  play: Play;
  units: UnitPreferences;
  drills: DrillOption[];
  /** The layout has been set up, by this player's run or another's. */
  stands: boolean;
  grouped: boolean;
  /** A game that somebody else has won. */
  won: string | null;
  /** Who putts, and who is next. */
  rotation: ReactNode;
  onLogged: () => void;
  onFinish: () => void;
  busy: boolean;
}) {
  const router = useRouter();
  const ways = useWays();
  const wide = useWide();
  const cues = useCues();
  const [moving, work] = useTransition();
  const busy = moving || finishing;
  const { layout, rule, ladder, rung } = player;
  const { progress, course, nextRung } = play;
  const { primary, others } = useMemo(() => loggedElements(layout), [layout]);
  const outcomes = useMemo(() => primary?.outcomes() ?? [], [primary]);
  const passes = useMemo(() => judge(layout), [layout]);
  const [also, setAlso] = useState<Record<string, Touched>>({});
  const [guess, setGuess] = useState<Guess | null>(null);
  const [listed, setListed] = useState(false);
  // The coach may go on when the rule has ended; the putts are kept and scored, the rule counts no more.
  const [goesOn, setGoesOn] = useState(false);
  const [refusedAt, setRefusedAt] = useState(-Infinity);

  const guesses = rule.type === 'guess' && guess === null;
  const ended = endedWords(progress, player.cap);
  const paused = course.pausedSince;
  const asks = !goesOn && (ended !== null || nextRung !== null || won !== null);
  const shut = asks || paused !== null;

  const touched = useRef(-Infinity);
  const log = (outcome: string, at?: number, spot?: Spot) => {
    if (!primary || shut) return;
    if (at !== undefined) {
      if (at - touched.current < ONE_TOUCH) return;
      touched.current = at;
    }
    const points = spot ? { [primary.id]: spot } : {};
    if (guesses) {
      setGuess({ outcomes: { [primary.id]: outcome }, points });
      return;
    }
    const rest = others.map(({ id, outcomes: of }) => [id, also[id]?.outcome ?? of()[0]!.id]);
    const pointed = others.flatMap(({ id }) => (also[id]?.spot ? [[id, also[id].spot]] : []));
    const putt = { [primary.id]: outcome, ...Object.fromEntries(rest) };
    store.log({
      outcomes: putt,
      points: { ...points, ...Object.fromEntries(pointed) },
      guess,
    });
    cues.cue(passes(putt));
    setAlso({});
    setGuess(null);
    onLogged();
  };
  const keys = keysOf(outcomes);
  const by = (side: Outcome['side']) => keys?.find((key) => key?.place === side)?.outcome;
  const elsewhere = (event: KeyboardEvent) =>
    event.repeat ||
    (event.target instanceof Element && event.target.closest('button, a, [role=dialog]'));
  useHotkeys('space, left, right', (event) => {
    if (elsewhere(event)) return;
    event.preventDefault();
    const side = SIDE_OF_KEY[event.code] ?? 'middle';
    const outcome = by(side) ?? (side === 'middle' ? outcomes[0] : undefined);
    if (outcome) log(outcome.id);
  });
  const undo = guess ? () => setGuess(null) : view.putts.length > 0 ? store.undo : undefined;
  useHotkeys('u, backspace', (event) => {
    if (!event.repeat) undo?.();
  });

  /** Something the server has to make, once it has every putt. */
  const onServer = (make: () => Promise<ActionResult<unknown>>) =>
    work(async () => {
      if (!(await store.flush())) {
        toast.error('Some putts have not reached the server yet. They are kept here; try again.');
        return;
      }
      if (showErrors(await make())) router.refresh();
    });
  const { sessionId } = player;
  const climb = (to: number) => onServer(() => ways.move({ sessionId, rung: to }));
  const { swap, rotate, next } = ways;
  const goTo = (to: SwapTo) => swap && onServer(() => swap({ sessionId, ...to }));
  const goOnInPlan = () => next && onServer(() => next(sessionId));

  const asked = askedOf(player, play, {
    asks,
    won,
    ended,
    proposed: view.putts.length - refusedAt >= PATIENCE,
    resume: () => store.mark({ type: 'resume' }),
    refuse: () => setRefusedAt(view.putts.length),
    goOn: () => setGoesOn(true),
    climb,
    goTo,
    finish: onFinish,
    next: goOnInPlan,
  });

  const pictured = primary?.pointing ?? null;
  return (
    <main className="grid h-dvh grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)_auto] overflow-hidden bg-sheet">
      <header className="grid grid-cols-[minmax(0,1fr)] gap-2 border-b-[length:var(--stroke)] border-ink px-4 pt-3 pb-2.5">
        {rotation}
        <PlayerHead
          player={player}
          play={play}
          busy={busy}
          onNext={goOnInPlan}
          onFinish={onFinish}
        />
      </header>
      <div className="min-h-0">
        {pictured?.on === 'green' && primary ? (
          <FinishPicture
            layout={layout}
            units={units}
            rests={view.putts.flatMap(({ points, outcomes: what, leftOut }) => {
              const spot = points[primary.id];
              return spot && !leftOut ? [{ spot, passes: passes(what) }] : [];
            })}
            chosen={guess?.points[primary.id]}
            {...(!shut && {
              onPoint: (spot: Spot, at: number) => log(pictured.outcome(spot), at, spot),
            })}
            className="h-full"
          />
        ) : (
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
              if (outcome) log(outcome.id, at);
            }}
          />
        )}
      </div>
      <footer className="grid grid-cols-[minmax(0,1fr)] gap-2.5 border-t-[length:var(--stroke)] border-ink bg-paper px-3.5 pt-2.5 pb-4">
        <div className="flex min-h-7 items-center justify-between gap-3">
          <button
            type="button"
            aria-label="Look at the putts and correct one"
            disabled={view.putts.length === 0}
            onClick={() => setListed(true)}
            className="flex min-h-8 min-w-0 justify-end overflow-hidden"
          >
            <Strip
              outcomes={primaryOutcomes(
                layout,
                view.putts.filter(({ leftOut }) => !leftOut).map((putt) => putt.outcomes),
              ).slice(-(wide ? 40 : 10))}
              breaks={Infinity}
            />
          </button>
          <SavingSign saving={view.saving} unsaved={view.unsaved} entering={view.entering} />
        </div>
        <Refusal
          saving={view.saving}
          unsaved={view.unsaved}
          finished={view.finished}
          onReopen={() =>
            work(async () => {
              if (showErrors(await ways.reopen(sessionId))) await store.flush();
            })
          }
          onDiscard={() => void store.discard()}
          sessionId={sessionId}
        />
        {asked && <Ask asked={asked} busy={busy} />}
        {!shut && (
          <>
            {rule.type === 'guess' && (
              <p className="text-[17px] font-[640]" role="status" aria-label="the guess">
                {guesses
                  ? 'Guess first: where did it go?'
                  : `Guessed ${outcomes.find(({ id }) => id === guess!.outcomes[primary!.id])?.label.toLowerCase()}. Now look.`}
              </p>
            )}
            {!guesses && others.length > 0 && (
              <MoreTouch
                elements={others}
                layout={layout}
                units={units}
                chosen={also}
                onChoose={(element, what) => setAlso((old) => ({ ...old, [element]: what }))}
              />
            )}
            {pictured?.on === 'face' && primary && (
              <PointPicture
                element={primary}
                layout={layout}
                units={units}
                chosen={guesses ? undefined : guess?.points[primary.id]}
                onPoint={(spot, at) => log(pictured.outcome(spot), at, spot)}
              />
            )}
            <ThumbKeys
              outcomes={outcomes}
              low={pictured?.on === 'face'}
              onPress={(outcome, at) => log(outcome.id, at)}
            />
          </>
        )}
        <div className="flex items-center justify-between gap-3">
          <p className="min-w-0 text-sm text-ink2">
            {wide ? 'space clear · ← → the tee · U undo' : gapWords(primary?.checks()[0], units)}
          </p>
          <div className="flex shrink-0 gap-2.5">
            <MoreMenu
              drillId={player.drillId}
              drills={drills}
              ladder={ladder}
              rung={rung}
              cues={cues}
              busy={busy}
              grouped={grouped}
              onPause={() => store.mark({ type: 'pause' })}
              onRung={climb}
              onSwap={goTo}
              onRotate={() => rotate && onServer(() => rotate(sessionId))}
            />
            <SetUp
              runId={player.runId}
              layout={layout}
              units={units}
              ready={view.saving.state !== 'opening'}
              stands={stands}
              onStands={(out) => store.mark({ type: 'set up', out })}
            />
            <Button
              className="min-h-12"
              disabled={!undo}
              onClick={(event) => {
                releaseFocus(event);
                undo?.();
              }}
            >
              <Undo2 size={18} aria-hidden /> Undo
            </Button>
          </div>
        </div>
      </footer>
      <PuttsSheet
        layout={layout}
        units={units}
        putts={view.putts}
        open={listed}
        onOpen={setListed}
        onCorrect={store.correct}
      />
    </main>
  );
}

/** The one gap to have in mind. */
const gapWords = (
  check: { name: string; metres: number } | undefined,
  units: UnitPreferences,
): string => (check ? showLength(check.metres, 'across', units) : '');
