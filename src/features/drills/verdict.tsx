'use client';

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
      aria-label={`How strict is the ${element.name.toLowerCase()}?`}
      aria-live="polite"
    >
      <h2 className="mb-2 cap">How strict is the {element.name.toLowerCase()}?</h2>
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
        <p className="mt-3 text-sm text-ink2">{sensitivityWords(sensitivity, tolerance, units)}</p>
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
          The drawing shows the last values that could be built.
        </p>
      )}
    </section>
  );
}

/** A change of a tolerance in its own unit. */
const changeWords = (change: number, { quantity }: Tolerance, units: UnitPreferences): string =>
  quantity === 'strike'
    ? `${(change * 1000).toFixed(1)} mm`
    : quantity === 'pace'
      ? roughLength(change, units)
      : showDegrees(change);

/** What to measure last and best: "The ball's spot matters most: 3 mm off changes it by 0.38°; …". */
function sensitivityWords(
  [first, ...rest]: Sensitivity[],
  tolerance: Tolerance,
  units: UnitPreferences,
): string {
  if (!first) return '';
  const said = ({ error, kind, change }: Sensitivity) =>
    `an error of ${showLength(error, kind === 'along' && error < 0.02 ? 'across' : kind, units)} changes it by ${changeWords(change, tolerance, units)}`;
  const others = rest.map((one) => `${one.label.toLowerCase()}: ${said(one)}`);
  return `Measure most carefully: ${first.label.toLowerCase()}, where ${said(first)}${others.length > 0 ? `; ${others.join('; ')}` : ''}.`;
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
              Match the hole: {showLength(worth, 'across', units)}
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
            <strong className="text-[1.375rem] num">±{showLength(air, 'across', units)}</strong> of
            strike. A ball struck at the edge of this range runs{' '}
            <strong className="num">{(edgeLoss(air) * 100).toFixed(1)} %</strong> shorter with a
            standard blade.
          </p>
          <p className="mt-2 text-[0.9375rem] text-ink2">
            This head is {showLength(player.headLength, 'across', units)} by{' '}
            {showLength(player.headDepth, 'across', units)}. With the face turned 2° to the path it
            has {airWords(air, 2, layout)} of clearance on each side, with 5°{' '}
            {airWords(air, 5, layout)}.
          </p>
        </>
      );
    }
    case 'path':
      return (
        <>
          <p className="text-[1rem]">
            <strong className="text-[1.375rem] num">
              {tolerance.left.toFixed(4) === tolerance.right.toFixed(4)
                ? `±${showDegrees(tolerance.right, 1)}`
                : `−${showDegrees(tolerance.left, 1)} +${showDegrees(tolerance.right, 1)}`}
            </strong>{' '}
            of path, when the ball is struck in the centre of the face.
          </p>
          {region && <BoxRegion corners={region} hand={layout.player.hand} />}
        </>
      );
    case 'face':
      return (
        <p className="text-[1rem]">
          <strong className="text-[1.375rem] num">±{showDegrees(tolerance.right, 1)}</strong> of
          face angle at the held finish. On this putt, the make window is −
          {showDegrees(makeWindow(layout.putt).left)} +{showDegrees(makeWindow(layout.putt).right)}{' '}
          of start line, and most of that comes from the face.
        </p>
      );
    case 'pace': {
      const { aim, slowest, fastest } = makeWindow(layout.putt);
      const percent = (speed: number) =>
        `${Math.abs((speed / aim.startSpeed - 1) * 100).toFixed(0)} %`;
      return (
        <p className="text-[1rem]">
          This holds putts that run from{' '}
          <strong className="num">{roughLength(tolerance.left, units)} shorter</strong> to{' '}
          <strong className="num">{roughLength(tolerance.right, units)} longer</strong> than
          intended. On the start line, the hole accepts putts that start from {percent(slowest)}{' '}
          slower to {percent(fastest)} faster.
        </p>
      );
    }
  }
}

function airWords(clearance: number, degrees: number, { player }: Layout): string {
  const air = airAtTurn(clearance, degrees * DEGREE, player);
  return air <= 0 ? 'none' : `${(air * 1000).toFixed(1)} mm`;
}
