import type { Translate } from '@/words/translate';
import 'server-only';
import { libraryDrill } from '@/core/drill';
import { drawLayout, layoutKit } from '@/core/layout';
import { kitWords } from '@/core/people';
import { smallMarks } from '@/ui/measured-line/small-line';
import { FIRST_GATES } from './first-gates';
import type { GateOffered } from './first-run';

/** The gates that a first session offers, with their small drawings. */
export const firstGates = (t: Translate): GateOffered[] =>
  FIRST_GATES.map((key) => {
    const { name, purpose, layout } = libraryDrill(key)!;
    const kit = layoutKit(layout).map(({ item, count }) => kitWords(item, count));
    return {
      ...{ key, name, purpose },
      kit: kit.join(', ') || t('session.firstOffer.justABall'),
      marks: smallMarks(drawLayout(layout)),
    };
  });
