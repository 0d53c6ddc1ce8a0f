'use client';

import { useTranslations } from 'next-intl';
import { Plus, X } from 'lucide-react';
import { Button } from '@/ui/button';
import { Pick, type PickOption } from '@/ui/pick';
import { RungPick } from '../drills/rung-pick';
import type { DrillOption } from './options';

/** As many putt in one rotation. */
const MOST = 8;

/** A player of a session that is to be begun. */
export interface Player {
  studentId: string;
  /** Of one's own; empty as the first player's. */
  drillId: string;
  /** From 0; null as the drill is drawn. */
  rung: number | null;
}

export const nobody: Player = { studentId: '', drillId: '', rung: null };

/** Who putts, and on what: one player, or several in rotation. */
export function PlayersFields({
  players,
  students,
  drills,
  errors,
  onPlayers,
}: {
  players: Player[];
  students: PickOption[];
  drills: DrillOption[];
  /** By the field: "players.0.studentId". */
  errors: Record<string, string>;
  /** Whom it is now; what changed of one of them, when it is not how many they are. */
  onPlayers: (players: Player[], changed?: { index: number; to: Partial<Player> }) => void;
}) {
  const t = useTranslations();
  const [first] = players as [Player, ...Player[]];
  const change = (index: number, to: Partial<Player>) =>
    onPlayers(
      players.map((one, at) => (at === index ? { ...one, ...to } : one)),
      { index, to },
    );
  return (
    <>
      {players.map((player, index) => {
        const drill = drills.find(({ value }) => value === (player.drillId || first.drillId));
        const taken = players.filter((_, at) => at !== index).map(({ studentId }) => studentId);
        return (
          <fieldset
            key={index}
            className={index > 0 ? 'grid gap-3 border-t border-rule pt-4' : 'grid gap-5'}
          >
            <legend className="sr-only">
              {index === 0
                ? t('session.playersFields.student')
                : t('session.playersFields.student2', { index: index + 1 })}
            </legend>
            <div
              className={index > 0 ? 'grid grid-cols-[minmax(0,1fr)_auto] items-end gap-2' : 'grid'}
            >
              <Pick
                label={
                  index === 0
                    ? t('session.playersFields.student')
                    : t('session.playersFields.student2', { index: index + 1 })
                }
                placeholder={t('session.playersFields.chooseAStudent')}
                options={students.filter(({ value }) => !taken.includes(value))}
                value={player.studentId}
                onChange={(studentId) => change(index, { studentId })}
                error={errors[`players.${index}.studentId`]}
              />
              {index > 0 && (
                <Button
                  aria-label={t('session.playersFields.removeStudent', { index: index + 1 })}
                  className="min-h-12 px-3"
                  onClick={() => onPlayers(players.filter((_, at) => at !== index))}
                >
                  <X size={18} aria-hidden />
                </Button>
              )}
            </div>
            <Pick
              label={
                index === 0
                  ? t('session.playersFields.drill')
                  : t('session.playersFields.drillForStudent', { index: index + 1 })
              }
              placeholder={
                index === 0
                  ? t('session.playersFields.chooseADrill')
                  : t('session.playersFields.sameDrill')
              }
              options={drills}
              value={player.drillId}
              onChange={(drillId) => change(index, { drillId, rung: null })}
              error={errors[`players.${index}.drillId`]}
            />
            {drill && drill.rungs.length > 0 && (
              <RungPick
                rungs={drill.rungs}
                rung={player.rung}
                onRung={(rung) => change(index, { rung })}
              />
            )}
          </fieldset>
        );
      })}
      {players.length < Math.min(MOST, students.length) && (
        <Button kind="quiet" onClick={() => onPlayers([...players, nobody])}>
          <Plus size={17} aria-hidden /> {t('session.playersFields.addStudentToTheRotation')}
        </Button>
      )}
    </>
  );
}
