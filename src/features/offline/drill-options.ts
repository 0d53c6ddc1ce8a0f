import type { Translate } from '@/words/translate';
import { showLength } from '@/core/units';
import { drillWords } from '../drills/drill-words';
import { rungWords } from '../drills/rung-words';
import { keyOfRef } from '../programme/library-ref';
import type { DrillOption } from '../session/options';
import type { Kept } from './wire';

/** The drills that are kept on this device, to choose from. */
export const drillOptions = (t: Translate, { drills, units }: Kept): DrillOption[] =>
  drills.map(({ ref, name, layout, details }) => ({
    value: ref,
    label: name,
    group: keyOfRef(ref)
      ? t('offline.drillOptions.fromTheLibrary')
      : t('offline.drillOptions.yourDrills'),
    green: null,
    detail: `${showLength(layout.putt.distance, 'putt', units)}, ${drillWords(layout)}`,
    rungs: details.ladder.map((rung) => rungWords(rung, units)),
  }));
