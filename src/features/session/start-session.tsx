'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { Pick, type PickOption } from '@/ui/pick';
import { begin } from './actions';

/** Who and what: two touches and a session is open. */
export function StartSession({
  students,
  drills,
  student = '',
  drill = '',
}: {
  students: PickOption[];
  drills: PickOption[];
  student?: string;
  drill?: string;
}) {
  const router = useRouter();
  const [busy, run] = useTransition();
  const [studentId, setStudent] = useState(student);
  const [drillId, setDrill] = useState(drill);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const start = () =>
    run(async () => {
      const result = await begin({ studentId, drillId });
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
        onChange={setDrill}
        error={errors.drillId}
      />
      <Button kind="primary" className="min-h-14 text-[18px]" onClick={start} disabled={busy}>
        Start session
      </Button>
    </div>
  );
}
