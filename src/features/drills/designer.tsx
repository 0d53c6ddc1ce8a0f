'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import { Redo2, Undo2 } from 'lucide-react';
import { Link } from '@/ui/link';
import { useRouter } from 'next/navigation';
import { Tabs } from 'radix-ui';
import { useEffect, useMemo, useState, useTransition } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { toast } from 'sonner';
import type { Slope } from '@/core/green';
import {
  fitted,
  ladderElement,
  layoutKit,
  standing,
  traitsOf,
  type ElementKind,
  type Layout,
} from '@/core/layout';
import { KIT } from '@/core/people';
import { showLength, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Pick } from '@/ui/pick';
import type { DrawnGrip } from '@/ui/measured-line/grip-handle';
import { useWrong } from '@/ui/parsed-input';
import { useUndo } from '@/ui/use-undo';
import type { GreenOption } from '../greens/options';
import { ArchiveButton } from '../shared/archive-button';
import { ShareButton } from '../shared/share-button';
import { PlaceHead } from '../shared/place';
import { useUnsaved } from '../shared/unsaved';
import { useKept } from '../session/kept';
import { showErrors } from '../shared/show-errors';
import {
  keepDrill,
  knownStart,
  setDrillArchived,
  setDrillShared,
  type KnownStart,
} from './actions';
import {
  dragged,
  nudged,
  refusal,
  withElement,
  withParams,
  withoutElement,
  type Draft,
} from './draft';
import { drillWords } from './drill-words';
import type { Editing } from './editing';
import { ElementsPanel } from './elements-panel';
import { groundWords, readWords } from './ground-words';
import { LadderPanel } from './ladder-panel';
import { LayoutDrawing } from './layout-drawing';
import { MakeMapView } from './make-map-view';
import type { StudentOption } from './options';
import { PuttPanel } from './putt-panel';
import { TAPE_LIST, TapeList } from './tape-list';
import { Verdict } from './verdict';
import { WhatIf } from './what-if';
import { WordsPanel } from './words-panel';

const NOBODY = 'nobody';

/**
 * Designing a drill: the drawing is taken hold of or the numbers are typed, and at once there is what they mean. What
 * cannot be built is refused with its reason, and the last right drawing stands.
 */
export function Designer({
  id,
  first,
  units,
  greens,
  students,
  version,
  newest = true,
  archived = false,
  access = 'own',
  sharing = null,
}: {
  id: string | null;
  first: Draft;
  units: UnitPreferences;
  /** Greens and spots that the putt can stand on. */
  greens: GreenOption[];
  /** For whom it can be looked at. */
  students: StudentOption[];
  version?: number;
  /** Whether this is the version that sessions are started on. */
  newest?: boolean;
  archived?: boolean;
  /** Whether it is the coach's to change, to keep a copy of, or only to see. */
  access?: 'own' | 'copy' | 'see';
  /** Whether all coaches here have it; null where there is one coach. */
  sharing?: { shared: boolean } | null;
}) {
  const t = useTranslations();
  const router = useRouter();
  const [saving, save] = useTransition();
  const [, score] = useTransition();
  const history = useUndo(first);
  const { change, settle } = history;
  const draft = history.value;
  const [kept, setKept] = useState(id === null ? null : first);
  const dirty = kept !== draft;
  useUnsaved(kept === null ? draft !== first : dirty, t('drills.designer.thisDrill'));
  const [chosen, setChosen] = useState(
    () => ladderElement(first.layout) ?? first.layout.elements.at(-1)!.id,
  );
  const [nameError, setNameError] = useState<string>();
  const [wrong, onWrong] = useWrong();
  // Who was looked at on the last drill is looked at on this one too, as long as they are there.
  const [looked, lookFor] = useKept('show-for', NOBODY);
  const student = students.find(({ value }) => value === looked) ?? null;
  const [starts, setStarts] = useState<{ of: string; start: KnownStart | null } | null>(null);
  const known = starts && starts.of === student?.value ? starts.start : null;

  const tryLayout = (next: Layout, of: string): string | null => {
    const refused = refusal(next, units);
    if (refused) return refused;
    change((now) => ({ ...now, layout: next }), of);
    return null;
  };
  const editing: Editing = {
    draft,
    units,
    tryLayout,
    changeDetails: (changes, of) =>
      change((now) => ({ ...now, details: { ...now.details, ...changes } }), of),
    onWrong,
  };
  const told = (refused: string | null) => {
    if (refused) toast.error(refused);
  };
  const add = (kind: ElementKind) => {
    const added = withElement(draft.layout, kind, units);
    if (!added.ok) return told(added.message);
    told(tryLayout(added.layout, `add ${added.id}`));
    setChosen(added.id);
  };
  const remove = (gone: string) => {
    const piece = draft.layout.elements.find(({ id }) => id === gone);
    if (piece && traitsOf(piece.kind).fixed) return;
    told(tryLayout(withoutElement(draft.layout, gone), `remove ${gone}`));
    if (chosen === gone) setChosen(draft.layout.elements[0]!.id);
  };
  useHotkeys('mod+z', () => history.undo?.(), { preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', () => history.redo?.(), { preventDefault: true });

  const asked = student?.value;
  useEffect(() => {
    if (!asked) return;
    score(async () => {
      const result = await knownStart(asked);
      if (showErrors(result)) setStarts({ of: asked, start: result.value });
    });
  }, [asked]);
  const keep = () => {
    const problems = Object.values(wrong);
    if (draft.name.trim() === '') setNameError(t('drills.designer.enterAName'));
    if (problems.length > 0) toast.error(`Not saved yet: ${problems[0]}`);
    if (draft.name.trim() === '' || problems.length > 0) return;
    save(async () => {
      const result = await keepDrill({
        id: access === 'copy' ? null : id,
        values: { ...draft.details, name: draft.name, layout: draft.layout },
      });
      if (!result.ok && result.fields.name) setNameError(result.fields.name);
      if (!showErrors(result)) return;
      setKept(draft);
      toast.success(t('drills.designer.saved'));
      router.push(`/drills/${result.value}`);
      router.refresh();
    });
  };

  const shown = useMemo(
    () => (student ? fitted(draft.layout, student.fitting) : draft.layout),
    [draft.layout, student],
  );
  const elements = standing(shown);
  const grips = elements.flatMap((element) =>
    element.grips().map((grip): DrawnGrip => ({
      id: `${element.id}/${grip.id}`,
      name: grip.name,
      at: grip.at,
      ...(grip.slides && { slides: grip.slides }),
      chosen: element.id === chosen,
      onHold: () => setChosen(element.id),
      onMove: (to, done) => {
        const next = dragged(shown, element.id, grip.id, to, units);
        tryLayout({ ...next, player: draft.layout.player }, `drag ${element.id}/${grip.id}`);
        if (done) settle();
      },
      onNudge: (along, across, coarse) => {
        const next = nudged(shown, element.id, grip.id, { along, across, coarse }, units);
        told(tryLayout({ ...next, player: draft.layout.player }, `nudge ${element.id}/${grip.id}`));
      },
      ...(!element.traits.fixed && { onRemove: () => remove(element.id) }),
    })),
  );
  const slope = (next: Slope) => {
    const { read: _, ...rest } = draft.layout;
    told(tryLayout({ ...rest, putt: { ...rest.putt, slope: next } }, 'slope'));
  };
  const stale = Object.keys(wrong).length > 0;
  const missing = student ? layoutKit(shown).filter(({ item }) => !student.kit.includes(item)) : [];

  return (
    <div className="grid grid-cols-1">
      <PlaceHead
        title={
          id === null
            ? t('drills.designer.newDrill')
            : draft.name || t('drills.designer.untitledDrill')
        }
        sub={[
          drillWords(draft.layout),
          groundWords(draft.layout, units),
          readWords(draft.layout),
          version && t('drills.designer.version', { version, newest: String(newest) }),
          archived && 'archived',
        ]
          .filter(Boolean)
          .join(' · ')}
      >
        <Button
          aria-label={t('drills.designer.undo')}
          disabled={!history.undo}
          onClick={() => history.undo?.()}
          className="px-3"
        >
          <Undo2 size={18} aria-hidden />
        </Button>
        <Button
          aria-label={t('drills.designer.redo')}
          disabled={!history.redo}
          onClick={() => history.redo?.()}
          className="px-3"
        >
          <Redo2 size={18} aria-hidden />
        </Button>
        {id !== null && (
          <>
            {access === 'own' && (
              <ArchiveButton id={id} name={draft.name} archived={archived} set={setDrillArchived} />
            )}
            {access === 'own' && sharing && (
              <ShareButton id={id} name={draft.name} shared={sharing.shared} set={setDrillShared} />
            )}
            <Button asChild>
              <Link href={`/drills/${id}/sheet${student ? `?student=${student.value}` : ''}`}>
                {t('drills.designer.setUpSheet')}
              </Link>
            </Button>
          </>
        )}
        {access !== 'see' && (
          <Button kind={dirty ? 'primary' : 'plain'} onClick={keep} disabled={saving}>
            {id === null
              ? t('drills.designer.saveDrill')
              : access === 'copy'
                ? t('drills.designer.saveMyCopy')
                : t('drills.designer.saveDrill')}
          </Button>
        )}
        {id !== null && !dirty && !archived && (
          <Button kind="primary" asChild>
            <Link href={`/start?drill=${id}`}>{t('drills.designer.startSession')}</Link>
          </Button>
        )}
      </PlaceHead>
      <div className="h-[350px] border-b-[length:var(--stroke)] border-ink md:h-[330px]">
        <LayoutDrawing
          layout={shown}
          units={units}
          lie="along"
          details={TAPE_LIST}
          grips={grips}
          fall={{ slope: draft.layout.putt.slope, onSlope: slope }}
        />
      </div>
      <div className="grid grid-cols-1 max-lg:divide-y max-lg:divide-rule lg:min-h-[calc(100dvh-424px)] lg:grid-cols-[minmax(0,1fr)_350px]">
        <section
          key={history.turn}
          className="grid content-start gap-4 border-rule px-4 py-5 md:px-7 lg:order-2 lg:border-l lg:px-6"
          aria-label={t('drills.designer.measurements')}
        >
          <TextField
            label={t('drills.designer.name')}
            placeholder={t('drills.designer.straightGate')}
            value={draft.name}
            maxLength={200}
            onChange={({ target }) => {
              setNameError(undefined);
              change((now) => ({ ...now, name: target.value }), 'name');
            }}
            error={nameError}
          />
          <ElementsPanel
            editing={editing}
            chosen={chosen}
            onChoose={setChosen}
            onAdd={add}
            onRemove={remove}
          />
          <h2 className="cap">{t('drills.designer.putt')}</h2>
          <PuttPanel editing={editing} greens={greens} />
          <p className="text-sm text-ink2">{t('drills.designer.typeALengthTheWay')}</p>
        </section>
        <Tabs.Root defaultValue="layout" className="min-w-0 lg:order-1">
          <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-b border-rule px-4 pt-2 md:px-7">
            <Tabs.List
              aria-label={t('drills.designer.views')}
              className="flex gap-5 overflow-x-auto"
            >
              {VIEWS.map(({ value, name }) => (
                <Tabs.Trigger
                  key={value}
                  value={value}
                  className="min-h-12 border-b-4 border-transparent text-[1rem] font-[560] whitespace-nowrap text-ink2 focus-visible:outline-offset-[-3px] data-[state=active]:border-line data-[state=active]:font-[700] data-[state=active]:text-ink"
                >
                  {t(name)}
                </Tabs.Trigger>
              ))}
            </Tabs.List>
            {students.length > 0 && (
              <div className="w-[260px] pb-2">
                <Pick
                  label={t('drills.designer.showFor')}
                  placeholder={t('drills.designer.chooseAStudent')}
                  options={[{ value: NOBODY, label: t('drills.designer.noStudent') }, ...students]}
                  value={student?.value ?? NOBODY}
                  onChange={lookFor}
                />
              </div>
            )}
          </div>
          {student && (
            <p className="border-b border-hair px-4 py-2 text-[0.9375rem] md:px-7">
              {fittingWords(t, student, units)}
              {missing.length > 0 && (
                <span className="text-warn">
                  {' '}
                  {t('drills.designer.notInTheKit', {
                    missing: missing.map(({ name }) => name).join(', '),
                    item: insteadWords(missing[0]!.item),
                  })}
                </span>
              )}
            </p>
          )}
          <Tabs.Content
            value="layout"
            className="grid md:max-lg:grid-cols-[minmax(280px,1fr)_minmax(340px,1.2fr)] xl:grid-cols-[minmax(280px,1fr)_minmax(340px,1.2fr)]"
          >
            <Verdict
              layout={shown}
              chosen={chosen}
              units={units}
              stale={stale}
              onWorth={(field, metres) =>
                told(tryLayout(withParams(draft.layout, chosen, { [field]: metres }), 'worth'))
              }
            />
            <section
              className="border-rule px-4 py-4 max-md:border-t md:border-l md:px-6 lg:max-xl:border-t lg:max-xl:border-l-0"
              aria-label={t('drills.designer.tapeList')}
            >
              <h2 className="mb-1 cap">{t('drills.designer.tapeListFromTheBall')}</h2>
              <TapeList layout={shown} units={units} />
            </section>
          </Tabs.Content>
          <Tabs.Content value="ladder">
            <LadderPanel key={history.turn} editing={editing} who={known} />
          </Tabs.Content>
          <Tabs.Content value="map">
            <MakeMapView layout={shown} who={known} waiting={student !== null && known === null} />
          </Tabs.Content>
          <Tabs.Content value="if">
            <WhatIf layout={shown} units={units} />
          </Tabs.Content>
          <Tabs.Content value="words">
            <WordsPanel key={history.turn} editing={editing} />
          </Tabs.Content>
        </Tabs.Root>
      </div>
    </div>
  );
}

/** What can be looked at below the drawing. */
const VIEWS = [
  { value: 'layout', name: 'drills.designer.layoutView' },
  { value: 'ladder', name: 'drills.designer.ladderView' },
  { value: 'map', name: 'drills.designer.mapView' },
  { value: 'if', name: 'drills.designer.ifView' },
  { value: 'words', name: 'drills.designer.wordsView' },
] as const;

function fittingWords(
  t: Translate,
  { label, fitting }: StudentOption,
  units: UnitPreferences,
): string {
  const { hand, headLength, school, seated } = fitting;
  return t('drills.designer.handedHeadArcSeated', {
    label,
    hand,
    headLength: showLength(headLength, 'across', units),
    isArc: String(school === 'arc'),
    seated: String(seated),
  });
}

function insteadWords(item: keyof typeof KIT): string {
  const { one } = KIT[item];
  const instead = 'instead' in KIT[item] ? KIT[item].instead : null;
  return instead ? `; instead of the ${one}, ${instead} will do` : '';
}
