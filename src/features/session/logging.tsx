'use client';

import { useTranslations } from 'next-intl';
import { useMemo, useRef, useState, useTransition } from 'react';
import { toast } from 'sonner';
import { standingsWords } from '@/core/coaching';
import { ruleTraits } from '@/core/drill';
import type { UnitPreferences } from '@/core/units';
import { showErrors } from '../shared/show-errors';
import { CountIn } from './count-in';
import { FinishedHere } from './finished-here';
import { useKeptPage } from './keep-page';
import type { DrillOption } from './options';
import { playOf, standsAs, type Play, type PlayerRun } from './play';
import { puttWords } from './outcome-words';
import { undoTarget, type UndoTarget } from './own-putts';
import { PlayerScreen } from './player-screen';
import { Rotation, type Every } from './rotation';
import type { LastTouch } from './use-putt';
import { useRuns, useRunViews } from './use-runs';
import { useOnward, useWays } from './ways';
import type { WirePutt } from './wire';

export interface LoggingProps {
  /** In the order of their turns; one alone, or several in rotation. */
  players: PlayerRun[];
  /** Who is in front first. */
  first: number;
  units: UnitPreferences;
  /** Drills to go on with. */
  drills: DrillOption[];
}

/** Logging: one player in front, the others of the group one touch away. */
export function Logging({ players, first, units, drills }: LoggingProps) {
  const t = useTranslations();
  const onward = useOnward();
  useKeptPage();
  const ways = useWays();
  const [busy, work] = useTransition();
  const [front, setFront] = useState(first);
  const [every, setEvery] = useState<Every>(
    players[0] && ruleTraits(players[0].rule).game ? 1 : 'by hand',
  );
  // Putts of this turn.
  const [turn, setTurn] = useState(0);
  const touchedRef = useRef<LastTouch>({ at: -Infinity, where: '' });
  const [undone, setUndone] = useState<string | null>(null);
  // Finished on this device; the page goes on once everything has been sent.
  const [finishing, setFinishing] = useState(false);
  const [counting, setCounting] = useState(false);
  const stores = useRuns(
    players.map(({ runId, run }) => ({ id: runId, run })),
    {
      others: (count) => toast(t('session.logging.onePuttArrivedFromAnother', { count })),
      late: (count) =>
        toast(t('session.logging.thisSessionWasFinishedOn', { count }), { duration: 12_000 }),
    },
  );
  const views = useRunViews(stores);
  const plays = useMemo(
    () => players.map((player, index) => playOf(player, views[index]!)),
    [players, views],
  );
  const at = Math.min(front, players.length - 1);
  const player = players[at]!;
  const stand = useMemo(() => players.map(({ layout }) => standsAs(layout)), [players]);
  const stands = (which: number) =>
    plays.some((play, index) => play.course.setUp && stand[index] === stand[which]) ||
    views[which]!.putts.length > 0;

  const grouped = players.length > 1;
  const game = grouped && !!ruleTraits(player.rule).game;
  const standings = plays.map(({ progress, counts }, index) => ({
    id: players[index]!.runId,
    name: players[index]!.student.name.split(' ')[0]!,
    points: game ? Number(progress.words.count) : counts.clear,
    done: game && progress.ended === 'done',
  }));
  const won = game && standings.some(({ done }) => done) ? standingsWords(standings) : null;

  const goTo = (index: number) => {
    setFront((index + players.length) % players.length);
    setTurn(0);
  };
  const logged = () => {
    setUndone(null);
    if (every === 'by hand' || turn + 1 < every) setTurn(turn + 1);
    else goTo(at + 1);
  };
  const wordsOf = ({ player: whose, putt }: UndoTarget<WirePutt>) => {
    const { student, layout } = players[whose]!;
    return `${student.name.split(' ')[0]}, ${puttWords(t, layout, putt, units)}`;
  };
  const undoPutt = (target: UndoTarget<WirePutt>) => {
    const { player: whose, putt } = target;
    stores[whose]!.undo(putt.id);
    setUndone(wordsOf(target));
    // Whoever putts again is in front.
    setFront(whose);
    setTurn(whose === at ? Math.max(0, turn - 1) : every === 'by hand' ? 0 : every - 1);
  };
  const undoable = undoTarget(views.map(({ putts }) => putts));

  const out = outOf(plays);
  /** What came in, shared out among those who had it out: what is missing is missed of the last. */
  const countIn = (counted: Record<string, number>) => {
    const left = { ...counted };
    for (const [index, { course }] of plays.entries()) {
      const items = Object.entries(course.out);
      if (items.length === 0) continue;
      const own = items.map(([item, count]) => {
        const back = Math.min(count, left[item] ?? 0);
        left[item] = (left[item] ?? 0) - back;
        return [item, back] as const;
      });
      stores[index]!.mark({ type: 'taken up', in: Object.fromEntries(own) });
    }
  };
  /** The page that says what was done: of the player in front, where they have putted. */
  const leave = (done: readonly string[]) => {
    const own = done.find((id) => id === player.sessionId) ?? done[0];
    if (own === undefined) toast(t('session.logging.noPuttsWereLoggedSo'));
    onward.go(own === undefined ? ways.start : ways.review(own));
  };
  const end = () =>
    work(async () => {
      if (!ways.apart) {
        stores.forEach((store) => store.finish());
        setFinishing(true);
        return;
      }
      const result = await ways.apart.finish();
      if (showErrors(result)) leave(result.value);
    });
  if (finishing) {
    const putted = players.filter(
      ({ earlier }, index) =>
        views[index]!.putts.length > 0 || earlier.some(({ putts }) => putts.length > 0),
    );
    return (
      <FinishedHere
        offline={views.some(({ saving }) => saving.state === 'waiting' && saving.since !== 'now')}
        sent={views.every(({ unsaved, entering }) => unsaved === 0 && entering === 0)}
        onSent={() => leave(putted.map(({ sessionId }) => sessionId))}
        onLeave={() => window.location.assign(ways.start)}
      />
    );
  }
  return (
    <>
      <PlayerScreen
        key={player.runId}
        player={player}
        store={stores[at]!}
        view={views[at]!}
        play={plays[at]!}
        units={units}
        drills={drills}
        stands={stands(at)}
        grouped={grouped}
        runIds={players.map(({ runId }) => runId)}
        won={won}
        rotation={
          grouped && (
            <Rotation
              players={standings}
              front={at}
              every={every}
              onEvery={setEvery}
              onFront={goTo}
              words={standingsWords(standings)}
            />
          )
        }
        onLogged={logged}
        touchedRef={touchedRef}
        undone={undone}
        undoable={undoable}
        wordsOf={wordsOf}
        onUndo={undoPutt}
        onFinish={() => (out ? setCounting(true) : end())}
        busy={busy}
      />
      {out && (
        <CountIn
          out={out}
          open={counting}
          onOpen={setCounting}
          onCounted={(counted) => {
            setCounting(false);
            countIn(counted);
            end();
          }}
        />
      )}
    </>
  );
}

/** What all of a group have out on the green, by kit; null when nothing. */
function outOf(plays: Play[]): Record<string, number> | null {
  const out: Record<string, number> = {};
  for (const { course } of plays) {
    for (const [item, count] of Object.entries(course.out)) out[item] = (out[item] ?? 0) + count;
  }
  return Object.keys(out).length > 0 ? out : null;
}
