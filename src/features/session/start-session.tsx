'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { Pick, type PickOption } from '@/ui/pick';
import { Toggle } from '@/ui/toggle';
import { startColdTest } from '../programme/actions';
import { showErrors } from '../shared/show-errors';
import { begin } from './actions';
import type { DrillOption, StudentOption } from './options';
import { PlayersFields, type Player } from './players-fields';

/** Stands for the green that the drill was drawn on. */
const AS_DRAWN = 'as drawn';

/** Who, what and where: two touches and a session is open. Several students putt in rotation. */
export function StartSession({
  students,
  drills,
  greens,
  student = '',
  drill = '',
  rung = null,
  green: on = null,
  cold: asked = false,
  shows = false,
}: {
  students: StudentOption[];
  drills: DrillOption[];
  greens: PickOption[];
  student?: string;
  drill?: string;
  rung?: number | null;
  /** A green or a spot of it that is asked for. */
  green?: string | null;
  /** A cold test is asked for. */
  cold?: boolean;
  /** Whether the page shows the chosen drill: then its address follows what is chosen. */
  shows?: boolean;
}) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, run] = useTransition();
  const [players, setPlayers] = useState<Player[]>([{ studentId: student, drillId: drill, rung }]);
  const [chosenGreen, setGreen] = useState(on);
  const [cold, setCold] = useState(asked);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [first] = players as [Player, ...Player[]];
  const own = drills.find(({ value }) => value === first.drillId)?.green;
  const green = chosenGreen ?? (own && greens.some(({ value }) => value === own) ? own : AS_DRAWN);
  const choose = (next: Player[]) => {
    setPlayers(next);
    const [{ studentId, drillId }] = next as [Player, ...Player[]];
    if (!shows || (studentId === first.studentId && drillId === first.drillId)) return;
    const query = new URLSearchParams({ student: studentId, drill: drillId });
    router.replace(`/start?${query}`, { scroll: false });
  };
  const start = () =>
    run(async () => {
      const result = await begin({
        players: players.map((player) => ({ ...player, drillId: player.drillId || first.drillId })),
        green: green === AS_DRAWN ? null : green,
        cold,
      });
      if (result.ok) return router.push(`/sessions/${result.value}`);
      setErrors(result.fields);
      if (Object.keys(result.fields).length === 0) toast.error(result.message);
    });
  /** The same five parts for everyone, whatever drill is chosen. */
  const test = () =>
    run(async () => {
      const result = await startColdTest(first.studentId);
      if (showErrors(result)) router.push(`/sessions/${result.value}`);
    });
  const lastCold = students.find(({ value }) => value === first.studentId)?.lastCold;
  return (
    <div className="grid gap-5">
      <PlayersFields
        players={players}
        students={students}
        drills={drills}
        errors={errors}
        onPlayers={choose}
      />
      {greens.length > 0 && (
        <Pick
          label={t('session.startSession.green')}
          placeholder={t('session.startSession.chooseAGreen')}
          options={[{ value: AS_DRAWN, label: t('session.startSession.asDesigned') }, ...greens]}
          value={green}
          onChange={setGreen}
          error={errors.green}
        />
      )}
      <Toggle
        label={t('session.startSession.coldTestFirst10Putts')}
        hint={lastCold}
        on={cold}
        onChange={setCold}
      />
      <Button kind="primary" className="min-h-14 text-[1.125rem]" onClick={start} disabled={busy}>
        {t('session.startSession.startSession')}
      </Button>
      {first.studentId !== '' && players.length === 1 && (
        <Button className="min-h-12" onClick={test} disabled={busy}>
          {t('session.startSession.startFivePartColdTest')}
        </Button>
      )}
    </div>
  );
}
