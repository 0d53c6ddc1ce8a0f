'use client';

import { useTranslations } from 'next-intl';
import { UNITS, isQuantity, quantities, quantityOf, shownUnit } from '@/core/quantity';
import { TEXT_TARGETS, plusOptions, usualPlus, type Mapping } from '@/core/table';
import { Pick } from '@/ui/pick';

const TARGETS = [
  ...Object.entries(TEXT_TARGETS).map(([value, { name }]) => ({ value, label: name })),
  ...quantities().map(({ id, name }) => ({ value: id, label: name })),
];

/** Units as they are spoken of: a share of one has no sign of its own. */
const unitOptions = (id: string) =>
  [...new Map(UNITS[quantityOf(id).dimension].map((unit) => [unit.id, unit])).values()].map(
    (unit) => ({ value: unit.id, label: unit.id === '1' ? 'number' : unit.id }),
  );

/** What each column of a file is taken for. */
export function ColumnFields({
  headings,
  samples,
  mapping,
  onChange,
}: {
  headings: string[];
  /** First rows below the headings. */
  samples: string[][];
  mapping: Mapping;
  onChange: (columns: Mapping['columns']) => void;
}) {
  const t = useTranslations();
  const { columns } = mapping;
  const set = (index: number, changed: Mapping['columns'][number]) =>
    onChange(columns.map((one, i) => (i === index ? changed : one)));
  return (
    <ul className="border-t border-rule">
      {columns.map(({ target, unit, plus }, index) => {
        const heading =
          headings[index]?.trim() || t('import.columnFields.column', { index: index + 1 });
        return (
          <li
            key={index}
            className="grid items-center gap-x-4 gap-y-1 border-b border-rule py-2 sm:grid-cols-[minmax(0,1fr)_204px_112px_150px]"
          >
            <div className="min-w-0">
              <p className="truncate text-[1.0625rem] font-[620]">{heading}</p>
              <p className="truncate text-[0.9375rem] text-ink2">
                {samples
                  .map((row) => row[index] ?? '')
                  .filter(Boolean)
                  .slice(0, 3)
                  .join(' · ') || t('import.columnFields.empty')}
              </p>
            </div>
            <Pick
              quiet
              label={t('import.columnFields.meaningOf', { heading })}
              placeholder={t('import.columnFields.choose')}
              options={TARGETS}
              value={target}
              onChange={(next) =>
                set(
                  index,
                  isQuantity(next)
                    ? {
                        target: next,
                        unit: shownUnit(quantityOf(next).dimension).id,
                        plus: usualPlus(next, false),
                      }
                    : { target: next, unit: null, plus: 'right' },
                )
              }
            />
            {isQuantity(target) && (
              <>
                <Pick
                  quiet
                  label={t('import.columnFields.unitOf', { heading })}
                  placeholder={t('import.columnFields.unit')}
                  options={unitOptions(target)}
                  value={unit ?? ''}
                  onChange={(next) => set(index, { target, plus, unit: next })}
                />
                <Pick
                  quiet
                  label={t('import.columnFields.positiveSideOf', { heading })}
                  placeholder={t('import.columnFields.positiveSide')}
                  options={plusOptions(target)}
                  value={plus}
                  onChange={(next) => set(index, { target, unit, plus: next })}
                />
              </>
            )}
          </li>
        );
      })}
    </ul>
  );
}
