'use client';

import { Plus, X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { Pick, type PickOption } from '@/ui/pick';
import { Toggle } from '@/ui/toggle';
import { RungPick } from '../drills/rung-pick';
import { begin } from './actions';
import type { DrillOption, StudentOption } from './options';

/** Stands for the green that the drill was drawn on. */
const AS_DRAWN = 'as drawn';
const MOST = 8;

interface Player {
  studentId: string;
  /** Of one's own; empty as the first player's. */
  drillId: string;
  rung: number | null;
}

const nobody: Player = { studentId: '', drillId: '', rung: null };

/** Who, what and where: two touches and a session is open. Several students putt in rotation. */
export function StartSession({
  students,
  drills,
  greens,
  student = '',
  drill = '',
  rung = null,
  cold: asked = false,
}: {
  students: StudentOption[];
  drills: DrillOption[];
  greens: PickOption[];
  student?: string;
  drill?: string;
  rung?: number | null;
  /** A cold test is asked for. */
  cold?: boolean;
}) {
  const router = useRouter();
  const [busy, run] = useTransition();
  const [players, setPlayers] = useState<Player[]>([{ studentId: student, drillId: drill, rung }]);
  const [chosenGreen, setGreen] = useState<string | null>(null);
  const [cold, setCold] = useState(asked);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [first] = players as [Player, ...Player[]];
  const drillOf = ({ drillId }: Player) =>
    drills.find(({ value }) => value === (drillId || first.drillId));
  const own = drillOf(first)?.green;
  const green = chosenGreen ?? (own && greens.some(({ value }) => value === own) ? own : AS_DRAWN);
  const change = (index: number, to: Partial<Player>) =>
    setPlayers((old) => old.map((one, at) => (at === index ? { ...one, ...to } : one)));
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
  const lastCold = students.find(({ value }) => value === first.studentId)?.lastCold;
  return (
    <div className="grid gap-5">
      {players.map((player, index) => {
        const rungs = drillOf(player)?.rungs ?? [];
        const taken = players.filter((_, at) => at !== index).map(({ studentId }) => studentId);
        return (
          <fieldset
            key={index}
            className={index > 0 ? 'grid gap-3 border-t border-rule pt-4' : 'grid gap-5'}
          >
            <legend className="sr-only">{index === 0 ? 'Player' : `Player ${index + 1}`}</legend>
            <div
              className={index > 0 ? 'grid grid-cols-[minmax(0,1fr)_auto] items-end gap-2' : 'grid'}
            >
              <Pick
                label={index === 0 ? 'Student' : `Student ${index + 1}`}
                placeholder="Choose a student"
                options={students.filter(({ value }) => !taken.includes(value))}
                value={player.studentId}
                onChange={(studentId) => change(index, { studentId })}
                error={errors[`players.${index}.studentId`]}
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
              value={player.drillId}
              onChange={(drillId) => change(index, { drillId, rung: null })}
              error={errors[`players.${index}.drillId`]}
            />
            {rungs.length > 0 && (
              <RungPick
                rungs={rungs}
                rung={player.rung}
                onRung={(rung) => change(index, { rung })}
              />
            )}
          </fieldset>
        );
      })}
      {players.length < Math.min(MOST, students.length) && (
        <Button kind="quiet" onClick={() => setPlayers((old) => [...old, nobody])}>
          <Plus size={17} aria-hidden /> Another student, in rotation
        </Button>
      )}
      {greens.length > 0 && (
        <Pick
          label="On"
          placeholder="Which green"
          options={[{ value: AS_DRAWN, label: 'as the drill is drawn' }, ...greens]}
          value={green}
          onChange={setGreen}
          error={errors.green}
        />
      )}
      <Toggle
        label="Cold first: ten putts, each once, before any warm-up"
        hint={lastCold}
        on={cold}
        onChange={setCold}
      />
      <Button kind="primary" className="min-h-14 text-[18px]" onClick={start} disabled={busy}>
        Start session
      </Button>
    </div>
  );
}
