import { useTranslations } from 'next-intl';
import { Link } from '@/ui/link';
import { PLACE_WORDS, ruleWords, skillWords, type LibraryDrill } from '@/core/drill';
import { layoutCautions, layoutKit, onRung, rungStrictness } from '@/core/layout';
import type { ReactNode } from 'react';
import { showLength, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { Term } from '../shared/term';
import { PlaceHead } from '../shared/place';
import { drillWords } from './drill-words';
import { LayoutDrawing } from './layout-drawing';
import { rungWords, strictnessOfRung } from './rung-words';
import { TakeButtons } from './take-buttons';
import { TAPE_LIST, TapeList } from './tape-list';

/** A built-in drill: what it is for, how it is set and done, and its ladder. */
export function BuiltIn({ drill, units }: { drill: LibraryDrill; units: UnitPreferences }) {
  const t = useTranslations();
  const { layout } = drill;
  const kit = layoutKit(layout);
  const cautions = [...layoutCautions(layout), ...drill.cautions];
  return (
    <>
      <PlaceHead
        title={drill.name}
        sub={t('drills.builtIn.builtInAboutMin', {
          distance: showLength(layout.putt.distance, 'putt', units),
          layout: drillWords(layout),
          minutes: drill.minutes,
        })}
      >
        <Button asChild>
          <a href={`/drills/${drill.key}/file`} download>
            {t('drills.builtIn.downloadDrill')}
          </a>
        </Button>
        <Button asChild>
          <Link href={`/drills/${drill.key}/sheet`}>{t('drills.builtIn.setUpSheet')}</Link>
        </Button>
        <TakeButtons id={drill.key} />
      </PlaceHead>
      <div className="h-[300px] border-b-[length:var(--stroke)] border-ink">
        <LayoutDrawing layout={layout} units={units} lie="along" details={TAPE_LIST} />
      </div>
      <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] lg:divide-x lg:divide-rule">
        <div className="grid content-start gap-4 px-4 py-5 text-[1rem] md:px-7">
          <p className="text-[1.1875rem] font-[560]">{drill.purpose}</p>
          <ol className="grid list-decimal gap-1 pl-5">
            {drill.steps.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
          <Said name="How to judge">{drill.judge}</Said>
          <Said name="Done when">
            {t('drills.builtIn.atMostPuttsOrMinutes', {
              rule: ruleWords(drill.rule),
              putts: drill.cap.putts,
              minutes: drill.cap.minutes,
              dose: drill.dose && t('drills.builtIn.dose', { dose: drill.dose }),
            })}
          </Said>
          <Said name="When to use it">{drill.when}</Said>
          <Said name="When not to use it">{drill.whenNot}</Said>
          <Said name="Common errors">{drill.errors.join(' ')}</Said>
          <Said name="Skills trained">{drill.skills.map(skillWords).join(', ')}</Said>
          {drill.misses.length > 0 && <Said name="Misses it helps">{drill.misses.join(', ')}</Said>}
          {drill.avoid.length > 0 && (
            <Said name="Misses it makes worse">{drill.avoid.join(', ')}</Said>
          )}
          <Said name="Places">{drill.places.map((place) => PLACE_WORDS[place]).join(', ')}</Said>
          {cautions.length > 0 && (
            <div className="border-l-4 border-warn pl-3 text-[0.9375rem]">
              {cautions.map((caution) => (
                <p key={caution}>{caution}</p>
              ))}
            </div>
          )}
        </div>
        <div className="grid content-start gap-6 px-4 py-5 md:px-7 lg:px-6">
          <section aria-label={t('drills.builtIn.tapeList')}>
            <h2 className="mb-1 cap">
              {t.rich('drills.builtIn.tapeListForAStandard', {
                term: (chunks) => <Term name="tape list">{chunks}</Term>,
              })}
            </h2>
            <TapeList layout={layout} units={units} />
          </section>
          <section aria-label={t('drills.builtIn.kit')}>
            <h2 className="mb-1 cap">{t('drills.builtIn.kit')}</h2>
            <p className="text-[1rem]">
              {kit.map(({ name, count }) => `${count} ${name}`).join(', ') ||
                t('drills.builtIn.justABall')}
            </p>
          </section>
          <section aria-label={t('drills.builtIn.ladder')}>
            <h2 className="mb-1 cap">
              <Term name="ladder">{t('drills.builtIn.ladder')}</Term>
            </h2>
            <table className="w-full text-[0.9375rem]">
              <caption className="sr-only">{t('drills.builtIn.rungsAndHowStrictThey')}</caption>
              <tbody>
                {drill.ladder.map((rung, index) => (
                  <tr key={index} className="border-b border-hair">
                    <td className="w-8 py-1 num">{index + 1}</td>
                    <td className="py-1">{rungWords(rung, units)}</td>
                    <td className="py-1 text-right num">
                      {strictnessOfRung(t, rungStrictness(onRung(layout, rung), rung), units)}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        </div>
      </div>
    </>
  );
}

function Said({ name, children }: { name: string; children: ReactNode }) {
  return (
    <p>
      <span className="cap">{name}</span>
      <br />
      {children}
    </p>
  );
}
