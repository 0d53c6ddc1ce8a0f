'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { Pick, type PickOption } from '@/ui/pick';
import { RungPick } from '../drills/rung-pick';
import { begin } from './actions';
import type { DrillOption } from './options';

/** Stands for the green that the drill was drawn on. */
const AS_DRAWN = 'as drawn';

/** Who, what and where: two touches and a session is open. */
export function StartSession({
  students,
  drills,
  greens,
  student = '',
  drill = '',
}: {
  students: PickOption[];
  drills: DrillOption[];
  greens: PickOption[];
  student?: string;
  drill?: string;
}) {
  const router = useRouter();
  const [busy, run] = useTransition();
  const [studentId, setStudent] = useState(student);
  const [drillId, setDrill] = useState(drill);
  const [rung, setRung] = useState<number | null>(null);
  const [chosenGreen, setGreen] = useState<string | null>(null);
  const chosenDrill = drills.find(({ value }) => value === drillId);
  const own = chosenDrill?.green;
  const rungs = chosenDrill?.rungs ?? [];
  const green = chosenGreen ?? (own && greens.some(({ value }) => value === own) ? own : AS_DRAWN);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const start = () =>
    run(async () => {
      const result = await begin({
        studentId,
        drillId,
        green: green === AS_DRAWN ? null : green,
        rung,
      });
      if (result.ok) return router.push(`/sessions/${result.value}`);
      setErrors(result.fields);
      if (Object.keys(result.fields).length === 0) toast.error(result.message);
    });
  return (
    <div className="grid gap-5">
      <Pick
        label="Student"
        placeholder="Choose a student"
        options={students}
        value={studentId}
        onChange={setStudent}
        error={errors.studentId}
      />
      <Pick
        label="Drill"
        placeholder="Choose a drill"
        options={drills}
        value={drillId}
        onChange={(next) => {
          setDrill(next);
          setRung(null);
        }}
        error={errors.drillId}
      />
      {rungs.length > 0 && <RungPick rungs={rungs} rung={rung} onRung={setRung} />}
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
      <Button kind="primary" className="min-h-14 text-[18px]" onClick={start} disabled={busy}>
        Start session
      </Button>
    </div>
  );
}
