'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import {
  airAtTurn,
  checkLayout,
  edgeLoss,
  elementOf,
  findingWords,
  sensitivityOf,
  standing,
  strictnessOf,
  strictnessWords,
  tapeFindings,
  type Layout,
  type Sensitivity,
  type Tolerance,
} from '@/core/layout';
import { makeWindow } from '@/core/green';
import {
  DEGREE,
  roughLength,
  settable,
  showDegrees,
  showLength,
  type UnitPreferences,
} from '@/core/units';
import { Button } from '@/ui/button';
import { BoxRegion } from './box-region';
import { StrictnessGauge } from './strictness-gauge';

/** What the chosen element lets through, against the hole where there is one, and what matters most in setting it. */
export function Verdict({
  layout,
  chosen,
  units,
  stale,
  onWorth,
}: {
  /** Fitted to the student it is looked at for. */
  layout: Layout;
  chosen: string;
  units: UnitPreferences;
  /** Whether something typed could not be taken. */
  stale: boolean;
  onWorth?: (field: string, metres: number) => void;
}) {
  const t = useTranslations();
  const element = standing(layout).find(({ id }) => id === chosen);
  if (!element) return null;
  const tolerance = element.tolerance();
  const findings = [...checkLayout(layout), ...tapeFindings(layout, units)].filter(
    (found) => found.element === chosen || found.severity === 'error',
  );
  const sensitivity = sensitivityOf(layout, chosen);
  return (
    <section
      className="px-4 py-5 md:px-7 lg:pr-6"
      aria-label={t('drills.verdict.howStrictIsThe', { element: element.name.toLowerCase() })}
      aria-live="polite"
    >
      <h2 className="mb-2 cap">
        {t('drills.verdict.howStrictIsThe', { element: element.name.toLowerCase() })}
      </h2>
      {tolerance ? (
        <Told
          layout={layout}
          chosen={chosen}
          tolerance={tolerance}
          units={units}
          onWorth={onWorth}
        />
      ) : (
        <p className="text-[1rem]">{elementOf(element.kind).about}</p>
      )}
      {element.checklist().length > 0 && (
        <ul className="mt-3 grid gap-1 text-[0.9375rem]">
          {element.checklist().map((line) => (
            <li key={line} className="border-l-2 border-rule pl-2.5">
              {line}
            </li>
          ))}
        </ul>
      )}
      {sensitivity.length > 0 && tolerance && (
        <p className="mt-3 text-sm text-ink2">
          {sensitivityWords(t, sensitivity, tolerance, units)}
        </p>
      )}
      {findings.map((found) => (
        <p
          key={`${found.element} ${found.field} ${found.message}`}
          className={`mt-2 text-sm font-[560] ${found.severity === 'error' ? 'text-line' : 'text-warn'}`}
        >
          {found.severity === 'error' && '▲ '}
          {findingWords(found, units)}
        </p>
      ))}
      {stale && (
        <p className="mt-2 text-sm text-ink2" role="status">
          {t('drills.verdict.theDrawingShowsTheLast')}
        </p>
      )}
    </section>
  );
}

/** A change of a tolerance in its own unit. */
const changeWords = (
  t: Translate,
  change: number,
  { quantity }: Tolerance,
  units: UnitPreferences,
): string =>
  quantity === 'strike'
    ? t('drills.verdict.mm', { change: (change * 1000).toFixed(1) })
    : quantity === 'pace'
      ? roughLength(change, units)
      : showDegrees(change);

/** What to measure last and best: "The ball's spot matters most: 3 mm off changes it by 0.38°; …". */
function sensitivityWords(
  t: Translate,
  [first, ...rest]: Sensitivity[],
  tolerance: Tolerance,
  units: UnitPreferences,
): string {
  if (!first) return '';
  const said = ({ error, kind, change }: Sensitivity) =>
    t('drills.verdict.anErrorOfChangesIt', {
      error: showLength(error, kind === 'along' && error < 0.02 ? 'across' : kind, units),
      change: changeWords(t, change, tolerance, units),
    });
  const others = rest.map((one) => `${one.label.toLowerCase()}: ${said(one)}`);
  return t('drills.verdict.measureMostCarefullyWhere', {
    first: first.label.toLowerCase(),
    first2: said(first),
    others: others.join('; '),
    othersPositive: String(others.length > 0),
  });
}

function Told({
  layout,
  chosen,
  tolerance,
  units,
  onWorth,
}: {
  layout: Layout;
  chosen: string;
  tolerance: Tolerance;
  units: UnitPreferences;
  onWorth?: (field: string, metres: number) => void;
}) {
  const t = useTranslations();
  const piece = layout.elements.find(({ id }) => id === chosen)!;
  const region = standing(layout)
    .find(({ id }) => id === chosen)!
    .region();
  switch (tolerance.quantity) {
    case 'start': {
      const result = strictnessOf(layout, chosen)!;
      const words = strictnessWords(result);
      const worth = result.worth && settable(result.worth.metres, units);
      const now = result.worth && (piece.params as Record<string, number>)[result.worth.field];
      return (
        <>
          <StrictnessGauge gate={result.gate} hole={result.hole} />
          <p className="mt-2 text-[1rem]">
            <strong>{words.verdict}.</strong> <span className="text-ink2">{words.meaning}</span>
          </p>
          {onWorth && worth !== null && (
            <Button
              className="mt-3"
              onClick={() => onWorth(result.worth!.field, worth)}
              disabled={Math.abs(worth - (now ?? 0)) < 1e-6}
            >
              {t('drills.verdict.matchTheHole', { worth: showLength(worth, 'across', units) })}
            </Button>
          )}
        </>
      );
    }
    case 'strike': {
      const air = tolerance.right;
      const { player } = layout;
      return (
        <>
          <p className="text-[1rem]">
            {t.rich('drills.verdict.ofStrikeABallStruck', {
              air: showLength(air, 'across', units),
              edgeLoss: (edgeLoss(air) * 100).toFixed(1),
              strong: (chunks) => <strong className="text-[1.375rem] num">{chunks}</strong>,
              strong2: (chunks) => <strong className="num">{chunks}</strong>,
            })}
          </p>
          <p className="mt-2 text-[0.9375rem] text-ink2">
            {t('drills.verdict.thisHeadIsByWith', {
              headLength: showLength(player.headLength, 'across', units),
              headDepth: showLength(player.headDepth, 'across', units),
              air: airWords(t, air, 2, layout),
              air2: airWords(t, air, 5, layout),
            })}
          </p>
        </>
      );
    }
    case 'path':
      return (
        <>
          <p className="text-[1rem]">
            {t.rich('drills.verdict.ofPathWhenTheBall', {
              right: showDegrees(tolerance.right, 1),
              left: showDegrees(tolerance.left, 1),
              left2: String(tolerance.left.toFixed(4) === tolerance.right.toFixed(4)),
              strong: (chunks) => <strong className="text-[1.375rem] num">{chunks}</strong>,
            })}
          </p>
          {region && <BoxRegion corners={region} hand={layout.player.hand} />}
        </>
      );
    case 'face':
      return (
        <p className="text-[1rem]">
          {t.rich('drills.verdict.ofFaceAngleAtThe', {
            right: showDegrees(tolerance.right, 1),
            left: showDegrees(makeWindow(layout.putt).left),
            right2: showDegrees(makeWindow(layout.putt).right),
            strong: (chunks) => <strong className="text-[1.375rem] num">{chunks}</strong>,
          })}
        </p>
      );
    case 'pace': {
      const { aim, slowest, fastest } = makeWindow(layout.putt);
      const percent = (speed: number) =>
        `${Math.abs((speed / aim.startSpeed - 1) * 100).toFixed(0)} %`;
      return (
        <p className="text-[1rem]">
          {t.rich('drills.verdict.thisHoldsPuttsThatRun', {
            left: roughLength(tolerance.left, units),
            right: roughLength(tolerance.right, units),
            slowest: percent(slowest),
            fastest: percent(fastest),
            strong: (chunks) => <strong className="num">{chunks}</strong>,
            strong2: (chunks) => <strong className="num">{chunks}</strong>,
          })}
        </p>
      );
    }
  }
}

function airWords(t: Translate, clearance: number, degrees: number, { player }: Layout): string {
  const air = airAtTurn(clearance, degrees * DEGREE, player);
  return air <= 0 ? 'none' : t('drills.verdict.mm2', { air: (air * 1000).toFixed(1) });
}
