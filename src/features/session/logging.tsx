'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState, useTransition } from 'react';
import { toast } from 'sonner';
import { standingsWords } from '@/core/coaching';
import type { UnitPreferences } from '@/core/units';
import { showErrors } from '../shared/show-errors';
import { finish } from './actions';
import { CountIn } from './count-in';
import { useKeptPage } from './keep-page';
import type { DrillOption } from './options';
import { playOf, standsAs, type PlayerRun } from './play';
import { PlayerScreen } from './player-screen';
import { Rotation, type Every } from './rotation';
import { useRuns, useRunViews } from './use-runs';

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
  const router = useRouter();
  useKeptPage();
  const [busy, work] = useTransition();
  const [front, setFront] = useState(first);
  const [every, setEvery] = useState<Every>(players[0]?.rule.type === 'points' ? 1 : 'by hand');
  // Putts of this turn.
  const [turn, setTurn] = useState(0);
  const [counting, setCounting] = useState(false);
  const stores = useRuns(
    players.map(({ runId, run }) => ({ id: runId, run })),
    (count) =>
      toast(
        `${count === 1 ? 'A putt' : `${count} putts`} came from another screen. All are kept, in order of arrival.`,
      ),
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
  const game = grouped && player.rule.type === 'points';
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
    if (every === 'by hand' || turn + 1 < every) setTurn(turn + 1);
    else goTo(at + 1);
  };

  const out = outOf(views);
  const end = () =>
    work(async () => {
      const flushed = await Promise.all(stores.map((store) => store.flush()));
      if (flushed.includes(false)) {
        toast.error(
          'Some putts have not reached the server yet. They are kept here; finish when it answers.',
        );
        return;
      }
      const result = await finish(player.sessionId);
      if (!showErrors(result)) return;
      const [kept] = result.value;
      if (kept === undefined) {
        toast('Nothing was logged, so the session was not kept.');
        router.push('/');
      } else {
        const own = result.value.find((id) => id === player.sessionId) ?? kept;
        router.push(`/sessions/${own}/review`);
      }
    });
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
            stores[at]!.mark({ type: 'taken up', in: counted });
            end();
          }}
        />
      )}
    </>
  );
}

/** What has been put out on the green and not been counted in again, by kit; null when nothing. */
function outOf(
  views: { marks: { mark: PlayerRun['run']['marks'][number]['mark'] }[] }[],
): Record<string, number> | null {
  const marks = views.flatMap((view) => view.marks.map(({ mark }) => mark));
  if (marks.some(({ type }) => type === 'taken up')) return null;
  const out: Record<string, number> = {};
  for (const mark of marks) {
    if (mark.type !== 'set up') continue;
    for (const [item, count] of Object.entries(mark.out)) out[item] = (out[item] ?? 0) + count;
  }
  return Object.keys(out).length > 0 ? out : null;
}
