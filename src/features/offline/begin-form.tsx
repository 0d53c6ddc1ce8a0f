'use client';

import { useTranslations } from 'next-intl';
import { useState } from 'react';
import { Button } from '@/ui/button';
import { Toggle } from '@/ui/toggle';
import { PlayersFields, nobody, type Player } from '../session/players-fields';
import { beginHere, rungFor } from './begun';
import { keepBegunHere } from './device';
import { drillOptions } from './drill-options';
import { ShellHead } from './shell-head';
import type { ShellPart } from './shell';
import { STAMPS } from './stamps';

/** Who and what: a session is begun on this device, the rung that teaches chosen for it. */
export function Begin({ home, kept, online, go, again, student }: ShellPart & { student: string }) {
  const t = useTranslations();
  const known = kept.students.some(({ id }) => id === student);
  const [players, setPlayers] = useState<Player[]>([
    { ...nobody, studentId: known ? student : '' },
  ]);
  const [cold, setCold] = useState(false);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [wrong, setWrong] = useState('');
  const first = players[0]!;
  /** A player on the rung that teaches them, of the drill that is theirs, or the first's. */
  const onRung = (player: Player, firsts: string): Player => {
    const { studentId } = player;
    const ref = player.drillId || firsts;
    return { ...player, rung: studentId && ref ? rungFor(t, kept, { studentId, ref }) : null };
  };
  const start = async () => {
    const missing = {
      ...Object.fromEntries(
        players.flatMap(({ studentId }, index) =>
          studentId ? [] : [[`players.${index}.studentId`, t('offline.beginForm.chooseAStudent')]],
        ),
      ),
      ...(!first.drillId && { 'players.0.drillId': t('offline.beginForm.chooseADrill') }),
    };
    setErrors(missing);
    if (Object.keys(missing).length > 0) return;
    const chosen = players.map(({ studentId, drillId, rung }) => ({
      ...{ studentId, rung, ref: drillId || first.drillId },
    }));
    try {
      const sessions = beginHere(t, kept, chosen, { cold, home, ...STAMPS });
      await keepBegunHere(sessions);
      await again();
      go(`?session=${sessions[0]!.id}`);
    } catch (error) {
      setWrong(
        error instanceof RangeError ? error.message : t('offline.beginForm.thisDeviceCouldNotSave'),
      );
    }
  };
  return (
    <main className="min-h-dvh bg-paper pb-12">
      <ShellHead title={t('offline.beginForm.newSession')} online={online} onBack={() => go('?')} />
      <div className="mx-auto grid max-w-xl gap-5 px-4 pt-5 md:px-7">
        <PlayersFields
          players={players}
          students={kept.students.map(({ id, name, fitting: { hand } }) => ({
            ...{ value: id, label: name, detail: `${hand}-handed` },
          }))}
          drills={drillOptions(t, kept)}
          errors={errors}
          onPlayers={(next, changed) => {
            setWrong('');
            setErrors({});
            // Who or what has changed goes on another rung, and so do those who take the first's drill; a rung that the
            // coach has just chosen stays.
            const firsts = next[0]!.drillId;
            const goes = (one: Player, at: number) =>
              changed &&
              !('rung' in changed.to && Object.keys(changed.to).length === 1) &&
              (at === changed.index || (changed.index === 0 && one.drillId === ''));
            setPlayers(next.map((one, at) => (goes(one, at) ? onRung(one, firsts) : one)));
          }}
        />
        <Toggle label={t('offline.beginForm.coldTestFirst10Putts')} on={cold} onChange={setCold} />
        {wrong && (
          <p role="alert" className="border-2 border-warn bg-sheet px-3 py-2 text-[1rem]">
            {wrong}
          </p>
        )}
        <Button kind="primary" className="min-h-14 text-[1.125rem]" onClick={() => void start()}>
          {t('offline.beginForm.startSession')}
        </Button>
      </div>
    </main>
  );
}
