'use client';

import { useTranslations } from 'next-intl';
import { useSortable } from '@dnd-kit/sortable';
import { GripVertical, Lock, LockOpen, Repeat2, X } from 'lucide-react';
import clsx from 'clsx';
import { Link } from '@/ui/link';
import { PHASE_WORDS } from '@/core/planning';
import { Button } from '@/ui/button';
import { Pick } from '@/ui/pick';
import { letterOf } from './letters';
import { lateWords, tenths } from './totals-words';
import type { Offer, PlanItem } from './plan-shape';

/** One drill of a plan: moved by its grip or by keys, kept, swapped, or taken out. */
export function PlanBlockRow({
  item,
  offer,
  index,
  names,
  onRung,
  onLock,
  onSwap,
  onRemove,
}: {
  item: PlanItem;
  offer: Offer;
  index: number;
  /** Of the students, by id. */
  names: Record<string, string>;
  onRung: (rung: number | null) => void;
  onLock: () => void;
  onSwap: () => void;
  onRemove: () => void;
}) {
  const t = useTranslations();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, isDragging } =
    useSortable({ id: item.id });
  const { median, late } = offer.span;
  const [first] = offer.players;
  const several = offer.players.length > 1;
  const warnings = [
    offer.unsuited && `${offer.name} ${offer.unsuited}.`,
    ...offer.players.map(
      ({ studentId, hardly }) => hardly && `${several ? `${names[studentId]}: ` : ''}${hardly}`,
    ),
  ].filter((words): words is string => !!words);
  return (
    <li
      ref={setNodeRef}
      style={transform ? { transform: `translateY(${transform.y}px)` } : undefined}
      className={clsx(
        'grid grid-cols-[auto_minmax(0,1fr)_auto] gap-x-3 gap-y-2 border-b border-rule px-3 py-3 md:px-5',
        isDragging ? 'relative z-10 bg-sheet outline-2 outline-ink' : 'bg-paper',
      )}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={t('programme.planBlock.move', { offer: offer.name })}
        className="flex min-h-11 touch-none items-center gap-1 self-start text-ink2"
      >
        <GripVertical size={20} aria-hidden />
        <span className="w-5 text-[1.25rem] num text-ink">{letterOf(index)}</span>
      </button>
      <div className="min-w-0">
        <p className="cap">{PHASE_WORDS[offer.phase]}</p>
        <p className="text-[1.125rem] leading-tight font-[650]">
          <Link
            href={`/drills/${offer.ref.replace('lib:', '')}`}
            className="underline decoration-1 underline-offset-4"
          >
            {offer.name}
          </Link>
        </p>
        <p className="mt-0.5 text-[0.9375rem] text-ink2">
          {offer.trains}
          {item.why && ` · ${item.why}`}
        </p>
        <p className="text-[0.9375rem]">
          {several
            ? t('programme.planBlock.passes', {
                players: offer.players
                  .map(({ studentId, passes }) => `${names[studentId]} ${tenths(t, passes)}`)
                  .join(', '),
              })
            : t('programme.planBlock.passes2', { tenths: tenths(t, first!.passes) })}
          {first!.assumed && (
            <span className="text-ink2"> {t('programme.planBlock.assumedThisDrillIsJudged')}</span>
          )}
        </p>
      </div>
      <p className="text-right">
        <span className="block text-[1.375rem] leading-tight num">
          {t('programme.planBlock.min', { median: Math.round(median) })}
        </span>
        <span className="text-sm text-ink2">{lateWords(late)}</span>
      </p>
      {warnings.map((words) => (
        <p key={words} className="col-span-full text-[0.9375rem] font-[560] text-warn">
          ▲ {words}
        </p>
      ))}
      <div className="col-span-full flex flex-wrap items-center gap-2 md:col-start-2 md:col-end-4">
        {offer.rungs.length > 0 && offer.phase !== 'test' && (
          <div className="min-w-0 flex-1 basis-full md:max-w-72 md:basis-0">
            <Pick
              quiet
              label={t('programme.planBlock.rungOf', { offer: offer.name })}
              placeholder={t('programme.planBlock.eachOnTheirOwnRung')}
              options={[
                { value: DRAWN, label: t('programme.planBlock.asDesigned') },
                ...offer.rungs.map((words, rung) => ({
                  value: String(rung),
                  label: t('programme.planBlock.rung', { rung: rung + 1, words }),
                })),
              ]}
              value={rungValue(offer)}
              onChange={(value) => onRung(value === DRAWN ? null : Number(value))}
            />
          </div>
        )}
        <span className="ml-auto flex gap-2">
          <Button
            aria-pressed={item.locked}
            aria-label={
              item.locked
                ? t('programme.planBlock.unlock', { offer: offer.name })
                : t('programme.planBlock.lock', { offer: offer.name })
            }
            title={t('programme.planBlock.lockedDrillsStayWhenThe')}
            className={clsx('px-3', item.locked && 'bg-ink text-sheet')}
            onClick={onLock}
          >
            {item.locked ? <Lock size={17} aria-hidden /> : <LockOpen size={17} aria-hidden />}
          </Button>
          <Button
            className="px-3"
            aria-label={t('programme.planBlock.replace', { offer: offer.name })}
            onClick={onSwap}
          >
            <Repeat2 size={18} aria-hidden />
          </Button>
          <Button
            className="px-3"
            aria-label={t('programme.planBlock.remove', { offer: offer.name })}
            onClick={onRemove}
          >
            <X size={18} aria-hidden />
          </Button>
        </span>
      </div>
    </li>
  );
}

/** Stands for the layout as it is drawn, on no rung. */
const DRAWN = 'drawn';

/** The rung of all players as the list has it; nothing where they differ. */
function rungValue({ players }: Offer): string {
  const rungs = new Set(players.map(({ rung }) => (rung === null ? DRAWN : String(rung))));
  return rungs.size === 1 ? [...rungs][0]! : '';
}
