'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import { Camera } from 'lucide-react';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { standing, type Layout } from '@/core/layout';
import {
  MEASURES,
  SHEETS,
  cornersOf,
  groundOf,
  measureIn,
  repeated,
  touchErrorOf,
  type Known,
  type MeasureName,
  type PhotoReading,
  type Pixel,
  type SheetName,
} from '@/core/photo';
import type { UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { Pick } from '@/ui/pick';
import { SheetDialog } from '@/ui/sheet-dialog';
import { smallPicture } from '../shared/small-picture';
import { keepPhoto } from './kept-photos';
import { PhotoPicture, type Touched } from './photo-picture';
import { keepTouchRecord, touchRecord } from './touch-record';
import { certaintyWords, readingWords } from './words';

/** How far off what stands is from the tape list, one standard deviation, m. */
const STANDS_OFF = 0.005;
/** Points to touch twice: two until the device knows how far off touches are, then one each time. */
const REPEATS = { first: 2, later: 1 } as const;
/** No touch is surer than this, pixels of the picture: a tee has a breadth of its own. */
const LEAST_TOUCH = 0.7;

/** What is known in the picture: a sheet of paper, or what stands on the green. */
type Reference = SheetName | 'stands';

interface Photo {
  file: File;
  url: string;
  natural: { width: number; height: number };
}

/** A number taken from a photo. */
export type PhotoTold = Pick<PhotoReading, 'value' | 'error'>;

/** Says what can be done with what was measured, given how to read another number off the same touches; null when nothing. */
export type PhotoUse = (
  name: MeasureName,
  told: PhotoTold,
  other: (name: MeasureName) => PhotoTold | null,
) => { label: string; use: () => void } | null;

/** What stands on the green, by its letter or name, and where; without what is itself to be measured. */
function placesOf(
  t: Translate,
  layout: Layout,
  but?: string,
): { label: string; at: { x: number; y: number } }[] {
  const ball = { label: t('photo.photoTape.theBallMarker'), at: { x: 0, y: 0 } };
  const known = standing(layout).filter(({ id }) => id !== but);
  const others = known.flatMap((element) =>
    element.places().map(({ at, label, name }) => ({
      label: label ? t('photo.photoTape.teeAtGroundLevel', { label }) : name,
      at: { x: at.across, y: at.along },
    })),
  );
  return [ball, ...others].filter(
    ({ at }, index, all) =>
      all.findIndex((one) => Math.hypot(one.at.x - at.x, one.at.y - at.y) < 0.004) === index,
  );
}

/**
 * Measures from a photo. The coach has a phone above what stands on the green: the picture is taken, four things of known place
 * are touched, then what is to be known. The picture stays on the device.
 */
export function PhotoTape({
  layout,
  units,
  names,
  use,
  measured,
  keeps,
  onUsed,
}: {
  layout: Layout;
  units: UnitPreferences;
  /** What is offered to be measured, the first to begin with. */
  names: readonly MeasureName[];
  use: PhotoUse;
  /** The element that is measured: where its tees are planned is no measure of where they stand. */
  measured?: string;
  /** What a photo can be kept with, on this device. */
  keeps: { runId: string; studentId: string };
  /** What lies below it may go too. */
  onUsed?: () => void;
}) {
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  const [photo, setPhoto] = useState<Photo | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => () => void (photo && URL.revokeObjectURL(photo.url)), [photo]);
  const take = async (file: File | undefined) => {
    if (!file) return;
    const url = URL.createObjectURL(file);
    const image = new Image();
    image.src = url;
    try {
      await image.decode();
      setPhoto({ file, url, natural: { width: image.naturalWidth, height: image.naturalHeight } });
      setProblem(null);
    } catch {
      URL.revokeObjectURL(url);
      setProblem(t('photo.photoTape.cannotBeOpenedAsA', { file: file.name }));
    }
  };
  return (
    <SheetDialog
      title={t('photo.photoTape.measureFromAPhoto')}
      sub={t('photo.photoTape.layASheetOfPaper')}
      open={open}
      onOpen={setOpen}
      trigger={
        <Button className="min-h-12">
          <Camera size={18} aria-hidden />
          {t('photo.photoTape.measureFromAPhoto')}
        </Button>
      }
    >
      <div className="mt-4 grid gap-4">
        <label className="relative inline-flex min-h-12 w-fit cursor-pointer items-center gap-2 rounded-[3px] border-[length:var(--stroke)] border-ink px-4 text-[0.9375rem] font-[620] focus-within:outline-2 focus-within:outline-offset-2">
          <Camera size={18} aria-hidden />
          {photo
            ? t('photo.photoTape.chooseAnotherPhoto')
            : t('photo.photoTape.takeOrChooseAPhoto')}
          <input
            type="file"
            accept="image/*"
            capture="environment"
            className="absolute inset-0 cursor-pointer opacity-0"
            onChange={(event) => void take(event.target.files?.[0])}
          />
        </label>
        {problem && (
          <p role="alert" className="text-[0.9375rem] font-[560] text-line">
            {problem}
          </p>
        )}
        {photo && (
          <Measuring
            key={photo.url}
            photo={photo}
            layout={layout}
            units={units}
            names={names}
            use={use}
            measured={measured}
            keeps={keeps}
            onUsed={() => {
              setOpen(false);
              onUsed?.();
            }}
          />
        )}
      </div>
    </SheetDialog>
  );
}

const scaled = ({ x, y }: Pixel, by: number): Pixel => ({ x: x * by, y: y * by });

function Measuring({
  photo,
  layout,
  units,
  names,
  use,
  measured,
  keeps,
  onUsed,
}: {
  photo: Photo;
  layout: Layout;
  measured?: string;
  keeps: { runId: string; studentId: string };
  units: UnitPreferences;
  names: readonly MeasureName[];
  use: PhotoUse;
  onUsed: () => void;
}) {
  const t = useTranslations();
  const places = placesOf(t, layout, measured);
  const [reference, setReference] = useState<Reference>(
    units.long === 'imperial' ? 'letter' : 'a4',
  );
  const [name, setName] = useState<MeasureName>(names[0]!);
  /** Touched so far, in order; null was left out. */
  const [knownAt, setKnownAt] = useState<(Pixel | null)[]>([]);
  const [repeatAt, setRepeatAt] = useState<Pixel[]>([]);
  const [askedAt, setAskedAt] = useState<Pixel[]>([]);
  /** How large a pixel of the picture was shown when it was touched. */
  const [shown, setShown] = useState(1);
  const [record] = useState(touchRecord);
  const stands = reference === 'stands';
  const knownLabels = stands
    ? places.map(({ label }) => label)
    : [
        t('photo.photoTape.oneEndOfALong'),
        t('photo.photoTape.itsOtherEnd'),
        t('photo.photoTape.theNextCorner'),
        t('photo.photoTape.theLastCorner'),
      ].map((words) => t('photo.photoTape.paper', { words }));
  const wanted = record.count === 0 ? REPEATS.first : REPEATS.later;
  const twice = knownAt
    .flatMap((seen, index) => (seen ? [{ seen, label: knownLabels[index]! }] : []))
    .slice(0, wanted);
  const allKnown = knownAt.length === knownLabels.length;
  const asks = [
    ...knownLabels,
    ...twice.map(({ label }) => t('photo.photoTape.onceMore', { label })),
    ...MEASURES[name].touches,
  ];
  const set = knownAt.length + repeatAt.length + askedAt.length;
  const next = asks[set] ?? null;
  const known: Known[] = stands
    ? knownAt.flatMap((seen, index) =>
        seen ? [{ seen, at: places[index]!.at, off: STANDS_OFF }] : [],
      )
    : cornersOf(
        knownAt.filter((one) => one !== null),
        SHEETS[reference].long,
        SHEETS[reference].short,
      );
  const repeats = repeatAt.reduce(
    (before, again, index) =>
      repeated(before, scaled(twice[index]!.seen, shown), scaled(again, shown)),
    record,
  );
  const { error, freedom } = touchErrorOf(repeats);
  const touch = { error: Math.max(LEAST_TOUCH, error / shown), freedom };
  const ground = allKnown ? groundOf(known, touch, photo.natural) : null;
  // What was learnt of the touches stays on this device.
  useEffect(() => {
    if (ground?.ok && repeatAt.length === twice.length) keepTouchRecord(repeats);
  });
  const told = ground?.ok && next === null ? measureIn(ground.ground, name, askedAt) : null;
  const wrong = [ground, told].find((one) => one && !one.ok) as { message: string } | undefined;
  const points: Touched[] = [...knownAt, ...repeatAt.map(() => null), ...askedAt].flatMap(
    (at, index) => (at ? [{ at, label: asks[index]!, measured: index >= knownLabels.length }] : []),
  );
  const other = (one: MeasureName) => {
    const read = ground?.ok ? measureIn(ground.ground, one, askedAt) : null;
    return read?.ok ? read : null;
  };
  const using = told?.ok ? use(name, told, other) : null;
  const [kept, setKept] = useState('');
  const words = told?.ok
    ? `${readingWords(t, name, told, units)}. ${certaintyWords(t, name, told, units)}`
    : '';
  const keep = async () => {
    try {
      await keepPhoto({
        ...keeps,
        id: crypto.randomUUID(),
        at: new Date().toISOString(),
        words,
        picture: await smallPicture(photo.file),
        touched: points.map(({ at, label }) => ({
          x: at.x / photo.natural.width,
          y: at.y / photo.natural.height,
          label,
        })),
      });
      setKept(words);
    } catch {
      toast.error(
        'The photo could not be saved. This device may be full, or the browser may not save anything.',
      );
    }
  };
  const again = () => {
    setKnownAt([]);
    setRepeatAt([]);
    setAskedAt([]);
  };
  const back = () => {
    if (askedAt.length > 0) setAskedAt(askedAt.slice(0, -1));
    else if (repeatAt.length > 0) setRepeatAt(repeatAt.slice(0, -1));
    else setKnownAt(knownAt.slice(0, -1));
  };
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-2">
        <Pick
          label={t('photo.photoTape.knownSizeInThePhoto')}
          placeholder={t('photo.photoTape.choose')}
          options={[
            ...Object.entries(SHEETS).map(([value, { label }]) => ({ value, label })),
            ...(places.length >= 4
              ? [{ value: 'stands', label: t('photo.photoTape.setUpFromTheTape') }]
              : []),
          ]}
          value={reference}
          onChange={(value) => {
            setReference(value as Reference);
            again();
          }}
        />
        <Pick
          label={t('photo.photoTape.measurement')}
          placeholder={t('photo.photoTape.choose')}
          options={names.map((value) => ({ value, label: MEASURES[value].label }))}
          value={name}
          onChange={(value) => {
            setName(value as MeasureName);
            setAskedAt([]);
          }}
        />
      </div>
      <PhotoPicture
        {...photo}
        points={points}
        asks={wrong ? null : next}
        onPoint={(at, size) => {
          setShown(size);
          if (!allKnown) setKnownAt([...knownAt, at]);
          else if (repeatAt.length < twice.length) setRepeatAt([...repeatAt, at]);
          else setAskedAt([...askedAt, at]);
        }}
      />
      <div className="sticky -bottom-6 -mb-6 grid gap-3 border-t-[length:var(--stroke)] border-ink bg-sheet pt-3 pb-6">
        <p aria-live="polite" className="text-[1.125rem]">
          {next ? (
            <>
              {t.rich('photo.photoTape.touchOfThenTouchIt', {
                next,
                set: set + 1,
                asks: asks.length - twice.length + wanted,
                strong: (chunks) => <strong>{chunks}</strong>,
                span: (chunks) => <span className="text-ink2">{chunks}</span>,
              })}
            </>
          ) : told?.ok ? (
            <>
              <strong>{readingWords(t, name, told, units)}</strong>{' '}
              <span className="text-ink2">{certaintyWords(t, name, told, units)}</span>
            </>
          ) : null}
          {wrong && (
            <span role="alert" className="block font-[560] text-line">
              {wrong.message}
            </span>
          )}
        </p>
        <div className="flex flex-wrap gap-2.5">
          {using && (
            <Button
              kind="primary"
              className="min-h-12"
              onClick={() => {
                using.use();
                onUsed();
              }}
            >
              {using.label}
            </Button>
          )}
          {told?.ok && (
            <Button className="min-h-12" disabled={kept === words} onClick={() => void keep()}>
              {kept === words
                ? t('photo.photoTape.savedOnThisDevice')
                : t('photo.photoTape.savePhotoWithThisRun')}
            </Button>
          )}
          {stands && next && !allKnown && (
            <Button className="min-h-12" onClick={() => setKnownAt([...knownAt, null])}>
              {t('photo.photoTape.notInThePhoto')}
            </Button>
          )}
          {set > 0 && (
            <>
              <Button className="min-h-12" onClick={back}>
                {t('photo.photoTape.undoLastPoint')}
              </Button>
              <Button className="min-h-12" onClick={again}>
                {t('photo.photoTape.startOver')}
              </Button>
            </>
          )}
          {askedAt.length > 0 && (
            <Button className="min-h-12" onClick={() => setAskedAt([])}>
              {t('photo.photoTape.takeAnotherMeasurement')}
            </Button>
          )}
        </div>
      </div>
    </>
  );
}
