'use client';

import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/ui/button';
import { Pick } from '@/ui/pick';
import { Toggle } from '@/ui/toggle';
import { RungPick } from '../drills/rung-pick';
import { beginHere, drillOf, rungFor, type Chosen } from './begun';
import { keepBegunHere } from './device';
import { drillOptions } from './drill-options';
import { ShellHead } from './shell-head';
import type { ShellPart } from './shell';
import { STAMPS } from './stamps';

/** Who and what: a session is begun on this device, the rung that teaches chosen for it. */
export function Begin({ home, kept, online, go, again, student }: ShellPart & { student: string }) {
  const known = kept.students.some(({ id }) => id === student);
  const [players, setPlayers] = useState<Chosen[]>([
    { studentId: known ? student : '', ref: '', rung: null },
  ]);
  const [cold, setCold] = useState(false);
  const [wrong, setWrong] = useState('');
  const first = players[0]!;
  const drills = drillOptions(kept);
  const students = kept.students.map(({ id, name, fitting }) => ({
    value: id,
    label: name,
    detail: `${fitting.hand}-handed`,
  }));
  const fitting = (player: Chosen): Chosen => ({
    ...player,
    rung: player.studentId && player.ref ? rungFor(kept, player) : null,
  });
  const change = (index: number, to: Partial<Chosen>) => {
    setWrong('');
    setPlayers((old) =>
      old.map((one, at) => {
        if (at !== index) return one;
        const next = { ...one, ...to };
        return 'rung' in to ? next : fitting(next);
      }),
    );
  };
  const start = async () => {
    if (players.some(({ studentId }) => !studentId)) return setWrong('Choose a student.');
    if (!first.ref) return setWrong('Choose a drill.');
    const chosen = players.map((player) =>
      player.ref ? player : fitting({ ...player, ref: first.ref }),
    );
    try {
      const sessions = beginHere(kept, chosen, { cold, home, ...STAMPS });
      await keepBegunHere(sessions);
      await again();
      go(`?session=${sessions[0]!.id}`);
    } catch (error) {
      setWrong(
        error instanceof RangeError
          ? error.message
          : 'This device would not keep the session: there may be no room on it.',
      );
    }
  };
  return (
    <main className="min-h-dvh bg-paper pb-12">
      <ShellHead title="Begin a session" online={online} onBack={() => go('?')} />
      <div className="mx-auto grid max-w-xl gap-5 px-4 pt-5 md:px-7">
        {players.map((player, index) => {
          const taken = players.filter((_, at) => at !== index).map(({ studentId }) => studentId);
          const ladder = player.ref ? drillOf(kept, player.ref).details.ladder : [];
          const rungs = drills.find(({ value }) => value === player.ref)?.rungs ?? [];
          return (
            <fieldset
              key={index}
              className={index > 0 ? 'grid gap-3 border-t border-rule pt-4' : 'grid gap-5'}
            >
              <legend className="sr-only">{index === 0 ? 'Player' : `Player ${index + 1}`}</legend>
              <div
                className={
                  index > 0 ? 'grid grid-cols-[minmax(0,1fr)_auto] items-end gap-2' : 'grid'
                }
              >
                <Pick
                  label={index === 0 ? 'Student' : `Student ${index + 1}`}
                  placeholder="Choose a student"
                  options={students.filter(({ value }) => !taken.includes(value))}
                  value={player.studentId}
                  onChange={(studentId) => change(index, { studentId })}
                />
                {index > 0 && (
                  <Button
                    aria-label={`Without student ${index + 1}`}
                    className="min-h-12 px-3"
                    onClick={() => setPlayers((old) => old.filter((_, at) => at !== index))}
                  >
                    <X size={18} aria-hidden />
                  </Button>
                )}
              </div>
              <Pick
                label={index === 0 ? 'Drill' : `Drill of student ${index + 1}`}
                placeholder={index === 0 ? 'Choose a drill' : 'the same drill'}
                options={drills}
                value={player.ref}
                onChange={(ref) => change(index, { ref })}
              />
              {ladder.length > 0 && (
                <RungPick
                  rungs={rungs}
                  rung={player.rung}
                  onRung={(rung) => change(index, { rung })}
                />
              )}
            </fieldset>
          );
        })}
        {players.length < Math.min(8, students.length) && (
          <Button
            kind="quiet"
            onClick={() => setPlayers((old) => [...old, { studentId: '', ref: '', rung: null }])}
          >
            <Plus size={17} aria-hidden /> Another student, in rotation
          </Button>
        )}
        <Toggle
          label="Cold first: ten putts, each once, before any warm-up"
          on={cold}
          onChange={setCold}
        />
        {wrong && (
          <p role="alert" className="border-2 border-warn bg-sheet px-3 py-2 text-[16px]">
            {wrong}
          </p>
        )}
        <Button kind="primary" className="min-h-14 text-[18px]" onClick={() => void start()}>
          Start session
        </Button>
      </div>
    </main>
  );
}
