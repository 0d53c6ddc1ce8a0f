'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import {
  closestCenter,
  DndContext,
  type Announcements,
  type UniqueIdentifier,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { Play, Plus, Printer, Sparkle } from 'lucide-react';
import { Link } from '@/ui/link';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState, useTransition } from 'react';
import { v4 } from 'uuid';
import { inOrder, totalsOf, type PlanFrame } from '@/core/planning';
import { Button } from '@/ui/button';
import { SheetDialog } from '@/ui/sheet-dialog';
import { ArchiveButton } from '../shared/archive-button';
import { PlaceHead } from '../shared/place';
import type { FieldErrors } from '../shared/result';
import { ordinal } from '../session/place-words';
import { showErrors } from '../shared/show-errors';
import { keepPlan, propose, runPlan, setPlanArchived, timeBlock } from './actions';
import { FrameFields, type PlanStudent } from './frame-fields';
import { HourLine } from './hour-line';
import { OfferList } from './offer-list';
import { PlanBlockRow } from './plan-block';
import type { Offer, PlanItem } from './plan-shape';
import { totalsWarnings, totalsWords } from './totals-words';

/** Making an hour: say who and how long, take what is proposed, and move it about. */
export function HourBuilder({
  id,
  archived = false,
  students,
  start,
}: {
  /** Null for one that was never kept. */
  id: string | null;
  archived?: boolean;
  students: PlanStudent[];
  start: {
    frame: PlanFrame;
    items: PlanItem[];
    offers: Offer[];
    own: Record<string, Offer>;
    /** What the minutes rest on, in words. */
    reckoned: string;
  };
}) {
  const t = useTranslations();
  const router = useRouter();
  const [frame, setFrame] = useState(start.frame);
  const [items, setItems] = useState(start.items);
  const [offers, setOffers] = useState(start.offers);
  /** Blocks that were timed on rungs of their own, by the block. */
  const [own, setOwn] = useState(start.own);
  /** For whom and where what stands here was reckoned. */
  const [reckoned, setReckoned] = useState(start.reckoned);
  const [madeFor, setMadeFor] = useState(whom(start.frame));
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [choosing, setChoosing] = useState<string | 'more' | null>(null);
  const [proposing, beginProposal] = useTransition();
  const [busy, begin] = useTransition();
  const planned = useRef<HTMLElement>(null);
  const [proposed, setProposed] = useState(0);
  useEffect(() => {
    // On a phone the plan stands below what was asked: it comes into sight once it is there.
    if (proposed > 0 && window.innerWidth < 1024) planned.current?.scrollIntoView();
  }, [proposed]);
  const names = Object.fromEntries(
    students.map(({ value, label }) => [value, label.split(' ')[0]!]),
  );
  const blocks = useMemo(() => {
    const byRef = new Map(offers.map((offer) => [offer.ref, offer]));
    return items.flatMap((item) => {
      const offer = own[item.id] ?? byRef.get(item.ref);
      return offer ? [{ id: item.id, item, offer }] : [];
    });
  }, [items, offers, own]);
  const totals = useMemo(() => totalsOf(blocks.map(({ offer }) => offer)), [blocks]);
  const stale = blocks.length > 0 && madeFor !== whom(frame);
  const warnings = totalsWarnings(t, totals, frame.minutes);
  const ordered = inOrder(blocks.map(({ offer }) => offer.phase));

  const change = (changes: Partial<PlanFrame>) => {
    setErrors({});
    setFrame((old) => ({
      ...old,
      ...changes,
      // What the students have is at hand, unless the coach has said otherwise.
      ...(changes.studentIds && {
        kit: [
          ...new Set([
            ...old.kit,
            ...students
              .filter(({ value }) => changes.studentIds!.includes(value))
              .flatMap(({ kit }) => kit),
          ]),
        ],
      }),
    }));
  };
  const ask = () =>
    beginProposal(async () => {
      const kept = items.filter(({ locked }) => locked);
      const result = await propose({ frame: withName(t, frame, names), kept });
      if (!result.ok) {
        setErrors(ofFrame(result.fields));
        if (Object.keys(result.fields).length === 0) showErrors(result);
        return;
      }
      setFrame((old) => withName(t, old, names));
      setOffers(result.value.offers);
      setItems(result.value.items);
      setProposed((times) => times + 1);
      setOwn(result.value.own);
      setMadeFor(whom(frame));
      setReckoned(result.value.reckoned);
    });
  const put = (offer: Offer, at: string | 'more') => {
    const item: PlanItem = {
      id: v4(),
      ref: offer.ref,
      rungs: Object.fromEntries(offer.players.map(({ studentId, rung }) => [studentId, rung])),
      locked: true,
      why: '',
    };
    setItems((old) =>
      at === 'more' ? [...old, item] : old.map((one) => (one.id === at ? item : one)),
    );
    setChoosing(null);
    begin(async () => {
      const result = await timeBlock({ frame: withName(t, frame, names), item });
      if (!showErrors(result) || !result.value) return;
      const timed = result.value;
      setOwn((old) => ({ ...old, [item.id]: timed }));
    });
  };
  const setRung = (item: PlanItem, rung: number | null) =>
    begin(async () => {
      const rungs = Object.fromEntries(frame.studentIds.map((who) => [who, rung]));
      const next = { ...item, rungs };
      const result = await timeBlock({ frame: withName(t, frame, names), item: next });
      if (!showErrors(result) || !result.value) return;
      const offer = result.value;
      setOwn((old) => ({ ...old, [item.id]: offer }));
      setItems((old) => old.map((one) => (one.id === item.id ? next : one)));
    });
  const keep = (then: (id: string) => void) =>
    begin(async () => {
      const result = await keepPlan({ id, frame: withName(t, frame, names), items });
      if (!result.ok) setErrors(ofFrame(result.fields));
      if (showErrors(result)) then(result.value);
    });
  const run = () =>
    keep(async (plan) => {
      const result = await runPlan(plan);
      if (showErrors(result)) router.push(`/sessions/${result.value}`);
    });

  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const moved = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    setItems((old) =>
      arrayMove(
        old,
        old.findIndex((one) => one.id === active.id),
        old.findIndex((one) => one.id === over.id),
      ),
    );
  };
  const chosen = blocks.find((block) => block.id === choosing);
  return (
    <>
      <PlaceHead
        title={
          id ? frame.name || t('programme.hourBuilder.plan') : t('programme.hourBuilder.newPlan')
        }
        sub={
          blocks.length > 0 ? totalsWords(totals) : t('programme.hourBuilder.chooseWhoHowLongAnd')
        }
      >
        {id && (
          <ArchiveButton id={id} name={frame.name} archived={archived} set={setPlanArchived} />
        )}
        {id && (
          <Button asChild>
            <Link href={`/programme/hours/${id}/sheet`}>
              <Printer size={17} aria-hidden /> {t('programme.hourBuilder.openPrintablePlan')}
            </Link>
          </Button>
        )}
        {blocks.length > 0 && (
          <>
            <Button
              disabled={busy || stale}
              onClick={() => keep((kept) => router.push(`/programme/hours/${kept}`))}
            >
              {t('programme.hourBuilder.savePlan')}
            </Button>
            <Button kind="primary" disabled={busy || stale} onClick={run}>
              <Play size={17} aria-hidden /> {t('programme.hourBuilder.startSession')}
            </Button>
          </>
        )}
      </PlaceHead>
      <div className="grid grid-cols-1 divide-y divide-rule lg:min-h-[calc(100dvh-94px)] lg:grid-cols-[minmax(0,1fr)_380px] lg:divide-x lg:divide-y-0">
        <section
          aria-label={t('programme.hourBuilder.planDetails')}
          className="grid content-start gap-5 bg-sheet px-4 py-6 md:px-7 lg:order-2 lg:border-l"
        >
          <FrameFields frame={frame} students={students} errors={errors} onChange={change} />
          <Button
            kind={blocks.length === 0 ? 'primary' : 'plain'}
            className="min-h-12 whitespace-normal!"
            disabled={proposing}
            onClick={ask}
          >
            <Sparkle size={17} aria-hidden />
            {proposing
              ? t('programme.hourBuilder.calculating')
              : blocks.length === 0
                ? t('programme.hourBuilder.suggestAPlan')
                : t('programme.hourBuilder.suggestAgainAroundTheLocked')}
          </Button>
        </section>
        <section ref={planned} aria-label={t('programme.hourBuilder.plan')} className="lg:order-1">
          {blocks.length === 0 ? (
            <p className="max-w-prose px-4 py-6 text-[1.0625rem] text-ink2 md:px-7">
              {t('programme.hourBuilder.wellBuildTheSessionFrom')}
            </p>
          ) : (
            <>
              <div className="sticky top-0 z-10 border-b-[length:var(--stroke)] border-ink bg-sheet px-3 pt-3 md:px-5">
                <HourLine blocks={blocks} totals={totals} minutes={frame.minutes} />
              </div>
              <div role="status" aria-label={t('programme.hourBuilder.notesOnTheWholePlan')}>
                {[
                  ...(stale ? [t('programme.hourBuilder.thisPlanWasMadeFor')] : []),
                  ...warnings,
                  ...(ordered ? [] : [t('programme.hourBuilder.theOrderIsUnusualThe')]),
                ].map((words) => (
                  <p
                    key={words}
                    className="px-4 pt-3 text-[0.9375rem] font-[560] text-warn md:px-6"
                  >
                    ▲ {words}
                  </p>
                ))}
              </div>
              <DndContext
                id="plan"
                sensors={sensors}
                collisionDetection={closestCenter}
                onDragEnd={moved}
                accessibility={{ announcements: spokenOrder(t, blocks) }}
              >
                <SortableContext
                  items={items.map((one) => one.id)}
                  strategy={verticalListSortingStrategy}
                >
                  <ol aria-label={t('programme.hourBuilder.drillsInThePlanIn')}>
                    {blocks.map(({ item, offer }, index) => (
                      <PlanBlockRow
                        key={item.id}
                        item={item}
                        offer={offer}
                        index={index}
                        names={names}
                        onRung={(rung) => setRung(item, rung)}
                        onLock={() =>
                          setItems((old) =>
                            old.map((one) =>
                              one.id === item.id ? { ...one, locked: !one.locked } : one,
                            ),
                          )
                        }
                        onSwap={() => setChoosing(item.id)}
                        onRemove={() => setItems((old) => old.filter((one) => one.id !== item.id))}
                      />
                    ))}
                  </ol>
                </SortableContext>
              </DndContext>
              <div className="grid justify-items-start gap-3 px-4 py-4 md:px-6">
                <Button onClick={() => setChoosing('more')}>
                  <Plus size={17} aria-hidden /> {t('programme.hourBuilder.addDrill')}
                </Button>
                <p className="text-sm text-ink2">{reckoned}</p>
              </div>
            </>
          )}
        </section>
      </div>
      <SheetDialog
        title={
          chosen
            ? t('programme.hourBuilder.replace', { offer: chosen.offer.name })
            : t('programme.hourBuilder.addDrill')
        }
        sub={t('programme.hourBuilder.suitableDrillsWithTheTime')}
        open={choosing !== null}
        onOpen={(open) => !open && setChoosing(null)}
      >
        <OfferList
          offers={offers.filter(
            ({ ref, unsuited }) => !unsuited && !items.some((item) => item.ref === ref),
          )}
          first={chosen?.offer.phase}
          onChoose={(offer) => choosing && put(offer, choosing)}
        />
      </SheetDialog>
    </>
  );
}

/** What is said while a drill of the plan is moved: "Close gate, now 2nd of 5". */
function spokenOrder(
  t: Translate,
  blocks: readonly { item: { id: string }; offer: { name: string } }[],
): Announcements {
  const nameOf = (id: UniqueIdentifier) =>
    blocks.find(({ item }) => item.id === id)?.offer.name ?? t('programme.hourBuilder.theDrill');
  const placeOf = (id: UniqueIdentifier) => {
    const place = 1 + blocks.findIndex(({ item }) => item.id === id);
    return t('programme.hourBuilder.of', { ordinal: ordinal(place), blocks: blocks.length });
  };
  return {
    onDragStart: ({ active }) =>
      t('programme.hourBuilder.pickedUpUseTheArrow', {
        id: nameOf(active.id),
        id2: placeOf(active.id),
      }),
    onDragOver: ({ active, over }) =>
      over
        ? t('programme.hourBuilder.now', { id: nameOf(active.id), id2: placeOf(over.id) })
        : undefined,
    onDragEnd: ({ active, over }) =>
      over
        ? t('programme.hourBuilder.dropped', { id: nameOf(active.id), id2: placeOf(over.id) })
        : t('programme.hourBuilder.didNotMove', { id: nameOf(active.id) }),
    onDragCancel: ({ active }) =>
      t('programme.hourBuilder.cancelledIsBackWhereIt', { id: nameOf(active.id) }),
  };
}

/** Whom and where a plan is for: what its drills and their times depend on. */
const whom = ({ studentIds, place, kit }: PlanFrame): string =>
  JSON.stringify([studentIds, place, kit]);

/** Errors of what the plan is for, by the names of its own fields. */
const ofFrame = (fields: FieldErrors): FieldErrors =>
  Object.fromEntries(
    Object.entries(fields).map(([path, words]) => [path.replace(/^frame\./, ''), words]),
  );

/** A plan that was not named is named by whom it is for. */
const withName = (t: Translate, frame: PlanFrame, names: Record<string, string>): PlanFrame => ({
  ...frame,
  name:
    frame.name.trim() ||
    t('programme.hourBuilder.minutes', {
      studentIds: frame.studentIds.map((who) => names[who]).join(', '),
      minutes: frame.minutes,
    }).slice(0, 80),
});
