'use client';

import { useTranslations } from 'next-intl';
import { Undo2 } from 'lucide-react';
import clsx from 'clsx';
import { useMemo, useState, useTransition, type ReactNode, type RefObject } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { toast } from 'sonner';
import { cardOf, endedWords, restSeen } from '@/core/drill';
import { judge, spotKey, type Outcome, type Spot } from '@/core/layout';
import { emptyCard } from '@/core/setup';
import type { UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { PhotoTape } from '../photo/photo-tape';
import { photoUse } from './photo-use';
import { releaseFocus } from '@/ui/release-focus';
import { LayoutDrawing } from '../drills/layout-drawing';
import { useOthersWaiting } from '../offline/waiting-banner';
import { showErrors } from '../shared/show-errors';
import type { ActionResult } from '../shared/result';
import { Ask } from './ask';
import { askedOf } from './asking';
import { useCues } from './cues';
import { FinishPicture } from './finish-picture';
import { actionOf } from './keymap';
import { keysOf } from './keys';
import { useKeyMap } from './use-keymap';
import { LastMeasured } from './last-measured';
import { LastRead, asksRead } from './last-read';
import { LoggingKeys } from './logging-keys';
import { MoreMenu, type SwapTo } from './more-menu';
import type { DrillOption } from './options';
import { stripMarks } from './outcome-words';
import type { UndoTarget } from './own-putts';
import { PlaceLine } from './place-line';
import type { Play, PlayerRun } from './play';
import { PlayerHead } from './player-head';
import { PuttsSheet } from './putts-sheet';
import type { RunStore, RunView } from './run-store';
import { AsideNote } from './aside-note';
import { BeatSign } from './beat';
import { ReadPicture } from './read-picture';
import { Refusal, SavingSign } from './saving-sign';
import { pointAt, touchOutcome, touchParts } from './seen';
import { SetUp } from './set-up';
import { Spoken } from './spoken';
import { SpotMap } from './spot-map';
import { Strip } from './strip';
import { TouchBoard } from './touch-board';
import { UndoQuestion } from './undo-question';
import { usePutt, type LastTouch } from './use-putt';
import { useOnward, useWays } from './ways';
import { useBeside, useWide } from './use-wide';
import type { WirePutt } from './wire';
import { CardLine } from '../setup/card-line';

/** Things that have all keys for themselves while they have the focus. */
const OWN_KEYS =
  '[role=dialog], [role=listbox], [role=radiogroup], [role=slider], [role=application], [role=combobox]';

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
  runIds,
  won,
  rotation,
  touchedRef,
  undone,
  undoable,
  wordsOf,
  onLogged,
  onUndo,
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
  /** Of all players of this screen. */
  runIds: readonly string[];
  /** A game that somebody else has won. */
  won: string | null;
  /** Who putts, and who is next. */
  rotation: ReactNode;
  /** The last touch of this screen, whoever was in front. */
  touchedRef: RefObject<LastTouch>;
  /** What was just undone, in words; null for nothing. */
  undone: string | null;
  /** What Undo takes back; null for nothing. */
  undoable: UndoTarget<WirePutt> | null;
  /** Whose putt, and what happened: "Sal, left tee". */
  wordsOf: (target: UndoTarget<WirePutt>) => string;
  onLogged: () => void;
  onUndo: (target: UndoTarget<WirePutt>) => void;
  onFinish: () => void;
  busy: boolean;
}) {
  const t = useTranslations();
  const onward = useOnward();
  const ways = useWays();
  const wide = useWide();
  const beside = useBeside();
  const cues = useCues();
  const others = useOthersWaiting(runIds);
  const [moving, work] = useTransition();
  const busy = moving || finishing;
  const { layout, ladder, rung } = player;
  const { progress, course, nextRung } = play;
  const [listed, setListed] = useState(false);
  // The coach may go on when the rule has ended; the putts are kept and scored, the rule counts no more.
  const [goesOn, setGoesOn] = useState(false);
  const [refusedAt, setRefusedAt] = useState(-Infinity);

  const ended = endedWords(progress, player.cap);
  const paused = course.pausedSince;
  const asks = !goesOn && (ended !== null || nextRung !== null || won !== null);
  const shut = asks || paused !== null;
  const putt = usePutt({ player, play, store, shut, cue: cues.cue, touchedRef, onLogged });
  const { there, primary, several, guesses } = putt;
  const outcomes = useMemo(() => primary?.outcomes() ?? [], [primary]);
  const passes = useMemo(() => judge(layout), [layout]);

  const keys = keysOf(outcomes);
  const by = (side: Outcome['side']) =>
    outcomes.length <= 3
      ? keys?.find((key) => key?.place === side)?.outcome
      : outcomes.find((one) => one.side === side && (side !== 'middle' || one.passes));
  /** What has the focus has this key for itself: a button the space bar, a picture and a list their arrows. */
  const elsewhere = (event: KeyboardEvent) => {
    if (event.repeat || !(event.target instanceof Element)) return event.repeat;
    const presses = event.key === ' ' || event.key === 'Enter';
    return (
      event.target.closest(OWN_KEYS) !== null ||
      (presses && event.target.closest('button, a, summary') !== null)
    );
  };
  // A putt of another device is undone only after asking.
  const [doubted, setDoubted] = useState<UndoTarget<WirePutt> | null>(null);
  const undo =
    putt.back ??
    (undoable
      ? () => {
          if (undoable.own) onUndo(undoable);
          else setDoubted(undoable);
        }
      : undefined);
  const [keyMap] = useKeyMap();
  useHotkeys('*', (event) => {
    const action = actionOf(event.key, keyMap);
    if (!action || event.ctrlKey || event.altKey || event.metaKey) return;
    if (action === 'undo') {
      if (event.repeat) return;
      event.preventDefault();
      undo?.();
      return;
    }
    if (elsewhere(event)) return;
    event.preventDefault();
    if (action === 'next') {
      putt.onward();
      return;
    }
    if (!primary) return;
    const side = action === 'clear' ? 'middle' : action;
    if (side === 'middle' && !guesses) {
      putt.rest();
      return;
    }
    const outcome = by(side) ?? (side === 'middle' ? outcomes[0] : undefined);
    if (outcome) putt.take(touchOutcome(there, putt.seen, primary, outcome.id));
  });

  /** Something the server has to make, once it has every putt. */
  const onServer = (make: () => Promise<ActionResult<unknown>>) =>
    work(async () => {
      if (!(await store.flush()) && !ways.apart) {
        toast.error('Some putts have not reached the server yet. They are kept here. Try again.');
        return;
      }
      if (showErrors(await make())) onward.again();
    });
  const { sessionId } = player;
  const climb = (to: number) => onServer(() => ways.move({ sessionId, rung: to }));
  const { swap, rotate, next } = ways;
  const goTo = (to: SwapTo) => swap && onServer(() => swap({ sessionId, ...to }));
  const goOnInPlan = () => next && onServer(() => next(sessionId));

  const asked = askedOf(t, player, play, {
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

  const keepEyes = (inside: number) => {
    const before = cardOf(view.marks) ?? player.card.last?.card ?? emptyCard();
    store.mark({ type: 'card', card: { ...before, eyes: inside } });
  };
  const card = (
    <CardLine
      known={player.card}
      now={cardOf(view.marks)}
      seated={layout.player.seated}
      units={units}
      onCard={(kept) => store.mark({ type: 'card', card: kept })}
    />
  );
  const last = view.putts.at(-1);
  const lie = beside ? 'along' : 'up';
  const rests = view.putts.flatMap((one) => {
    // Where earlier putts of this place lie: those from elsewhere lay on another line.
    const spot = spotKey(one.place) === spotKey(putt.made.place) && restSeen(there, one);
    return spot && !one.leftOut ? [{ spot, passes: passes(one.outcomes) === true }] : [];
  });
  const head = (
    <>
      {rotation}
      <PlayerHead
        player={player}
        play={play}
        busy={busy}
        shape={wide ? 'beside' : beside ? 'row' : 'above'}
        onNext={goOnInPlan}
        onFinish={onFinish}
      />
    </>
  );
  // Where there is little height the tees of a drawn putt would lie over each other.
  const board = several || (beside && !wide && touchParts(there).gates.length > 0);
  return (
    <main
      data-logging=""
      className={clsx(
        'grid h-dvh grid-cols-[minmax(0,1fr)] overflow-hidden bg-sheet',
        !wide && 'grid-rows-[auto_minmax(0,1fr)]',
      )}
    >
      {!wide && (
        <header className="grid grid-cols-[minmax(0,1fr)] gap-2 border-b-[length:var(--stroke)] border-ink px-4 pt-3 pb-2.5 [@media(max-height:500px)]:py-1">
          {head}
        </header>
      )}
      <div
        className={clsx(
          'grid min-h-0',
          beside
            ? 'grid-cols-[minmax(0,1fr)_minmax(304px,36%)]'
            : 'grid-cols-[minmax(0,1fr)] grid-rows-[minmax(150px,1fr)_minmax(0,auto)]',
        )}
      >
        <div className="grid min-h-0 min-w-0 grid-rows-[auto_minmax(0,1fr)]">
          <div className="flex min-w-0 items-center justify-between gap-3 border-b border-rule px-4">
            <PlaceLine
              layout={layout}
              next={putt.made}
              manners={player.manners}
              units={units}
              spoken={cues.voice}
              onPlace={(place) => putt.tell({ place })}
              onManner={(manner) => putt.tell({ manner })}
            />
            <SpotMap layout={layout} place={putt.made.place} unread={asksRead(layout)} />
          </div>
          <div className="min-h-0 min-w-0">
            {board ? (
              <TouchBoard
                layout={there}
                units={units}
                seen={putt.seen}
                rests={rests}
                lie={lie}
                onSeen={putt.take}
              />
            ) : primary?.pointing?.on === 'green' ? (
              <FinishPicture
                layout={there}
                units={units}
                rests={rests}
                chosen={putt.guess?.points[primary.id]}
                lie={lie}
                {...(!shut && {
                  onPoint: (spot: Spot, at: number) =>
                    putt.take(pointAt(there, {}, primary, spot), at),
                })}
                className="h-full"
              />
            ) : primary?.pointing?.on === 'read' && !shut ? (
              <ReadPicture
                layout={there}
                className="h-full"
                onPoint={(spot, at) => putt.take(pointAt(there, {}, primary, spot), at)}
              />
            ) : (
              <LayoutDrawing
                layout={there}
                units={units}
                lie={lie}
                brief={!wide}
                unread={asksRead(there)}
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
                  if (outcome) putt.take(touchOutcome(there, {}, primary!, outcome.id), at);
                }}
              />
            )}
          </div>
        </div>
        <footer
          className={clsx(
            'grid min-h-0 grid-cols-[minmax(0,1fr)] [align-content:safe_end] gap-2.5 overflow-y-auto border-ink bg-paper px-3.5 pt-2.5 pb-4 [@media(max-height:500px)]:gap-1.5 [@media(max-height:500px)]:pb-2',
            beside ? 'border-l-[length:var(--stroke)]' : 'border-t-[length:var(--stroke)]',
            wide && 'grid-rows-[1fr]',
          )}
        >
          {wide && <div className="grid content-start gap-3 pt-2">{head}</div>}
          {last && Object.keys(last.measured).length > 0 && (
            <LastMeasured
              layout={layout}
              putt={last}
              units={units}
              onLook={() => setListed(true)}
            />
          )}
          <BeatSign />
          {last && <LastRead layout={layout} putt={last} units={units} />}
          <div className="flex min-h-7 items-center justify-between gap-3">
            <button
              type="button"
              aria-label={t('session.playerScreen.viewOrCorrectPutts')}
              disabled={view.putts.length === 0}
              onClick={() => setListed(true)}
              className="flex min-h-11 min-w-0 justify-end overflow-hidden"
            >
              <Strip
                marks={stripMarks(
                  layout,
                  view.putts.filter(({ leftOut }) => !leftOut).map((one) => one.outcomes),
                ).slice(-10)}
                breaks={Infinity}
              />
            </button>
            <SavingSign view={view} others={others} />
            <Spoken layout={layout} view={view} units={units} />
          </div>
          <Refusal
            view={view}
            onReopen={() =>
              work(async () => {
                if (showErrors(await ways.reopen(sessionId))) await store.flush();
              })
            }
            onSetAside={() => void store.setAside()}
            sessionId={sessionId}
          />
          <AsideNote aside={view.aside} onForget={() => void store.forgetAside()} />
          {doubted && (
            <UndoQuestion
              words={wordsOf(doubted)}
              onUndo={() => {
                onUndo(doubted);
                setDoubted(null);
              }}
              onKeep={() => setDoubted(null)}
            />
          )}
          {undone !== null && (
            <p className="border-2 border-ink bg-sheet px-3 py-2 text-[0.9375rem]">
              {t.rich('session.playerScreen.undone', {
                undone,
                strong: (chunks) => <strong>{chunks}</strong>,
              })}
            </p>
          )}
          {putt.ignored && (
            <p
              role="status"
              className="flex items-center justify-between gap-3 border-2 border-ink bg-sheet px-3 text-[0.9375rem]"
            >
              {t('session.playerScreen.secondTapIgnored')}
              <Button kind="quiet" className="min-h-11" onClick={putt.countIgnored}>
                {t('session.playerScreen.countItAsAPutt')}
              </Button>
            </p>
          )}
          {asked && <Ask asked={asked} busy={busy} />}
          {!shut && <LoggingKeys putt={putt} units={units} low={beside && !wide} />}
          <div className="mt-1.5 flex items-center justify-between gap-3">
            <p className="min-w-0 text-sm text-ink2 [@media(max-height:500px)]:hidden">
              {wide
                ? several
                  ? t('session.playerScreen.spaceAllGoodNNext')
                  : t('session.playerScreen.spacePassedLeftRightU')
                : ''}
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
                photo={(done) => (
                  <PhotoTape
                    layout={there}
                    units={units}
                    names={['face', 'eyes', 'past', 'aside', 'ball', 'gap', 'distance']}
                    use={photoUse(there, putt.seen, putt.take, keepEyes)}
                    keeps={{ runId: player.runId, studentId: player.student.id }}
                    onUsed={done}
                  />
                )}
              />
              <SetUp
                runId={player.runId}
                studentId={player.student.id}
                layout={layout}
                units={units}
                ready={view.saving.state !== 'opening'}
                stands={stands}
                onStands={(out) => store.mark({ type: 'set up', out })}
                card={card}
              />
              <Button
                className="min-h-12"
                disabled={!undo}
                onClick={(event) => {
                  releaseFocus(event);
                  undo?.();
                }}
              >
                <Undo2 size={18} aria-hidden /> {t('session.playerScreen.undo')}
              </Button>
            </div>
          </div>
        </footer>
      </div>
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
