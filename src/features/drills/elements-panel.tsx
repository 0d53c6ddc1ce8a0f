'use client';

import { useTranslations } from 'next-intl';
import clsx from 'clsx';
import { Plus, Trash2 } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import {
  ELEMENTS,
  breaks,
  elementOf,
  standing,
  traitsOf,
  type ElementKind,
  type Piece,
} from '@/core/layout';
import { aimFor } from '@/core/green';
import { showLength } from '@/core/units';
import { Button } from '@/ui/button';
import type { Editing } from './editing';
import { ElementFields } from './element-fields';

const KINDS = (Object.keys(ELEMENTS) as ElementKind[]).filter((kind) => !traitsOf(kind).fixed);

/** What stands on the green: each element in a line, the chosen one with its numbers. */
export function ElementsPanel({
  editing,
  chosen,
  onChoose,
  onAdd,
  onRemove,
}: {
  editing: Editing;
  chosen: string;
  onChoose: (id: string) => void;
  onAdd: (kind: ElementKind) => void;
  onRemove: (id: string) => void;
}) {
  const t = useTranslations();
  const { layout } = editing.draft;
  const level = !breaks(aimFor(layout.putt));
  return (
    <section className="grid gap-1.5" aria-label={t('drills.elementsPanel.elements')}>
      <div className="flex items-center justify-between">
        <h2 className="cap">{t('drills.elementsPanel.onTheGreen')}</h2>
        <AddMenu onAdd={onAdd} />
      </div>
      <ul className="border-t border-rule">
        {layout.elements.map((piece) => (
          <li key={piece.id} className="border-b border-hair">
            <div className="flex items-center gap-2">
              <button
                type="button"
                aria-expanded={piece.id === chosen}
                onClick={() => onChoose(piece.id)}
                className={clsx(
                  'min-h-11 flex-1 py-1 text-left text-[1rem]',
                  piece.id === chosen ? 'font-[700] text-line' : 'font-[560]',
                )}
              >
                {elementOf(piece.kind).name}{' '}
                <span className="text-[0.875rem] font-normal text-ink2">
                  {inShort(piece, editing)}
                </span>
              </button>
              {!traitsOf(piece.kind).fixed && (
                <Button
                  kind="quiet"
                  aria-label={t('drills.elementsPanel.remove', {
                    kind: elementOf(piece.kind).name.toLowerCase(),
                  })}
                  className="min-w-11 px-2"
                  onClick={() => onRemove(piece.id)}
                >
                  <Trash2 size={16} aria-hidden />
                </Button>
              )}
            </div>
            {piece.id === chosen && (
              <div className="pt-1 pb-4">
                <ElementFields
                  piece={piece}
                  editing={editing}
                  hidden={(name) => name === 'on' && level}
                />
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The letters of its tees and what is measured first. */
function inShort(piece: Piece, { draft, units }: Editing): string {
  const element = standing(draft.layout).find(({ id }) => id === piece.id)!;
  const letters = element
    .places()
    .flatMap(({ label }) => label ?? [])
    .join(' ');
  const [first] = element.measures();
  return [letters, first && showLength(first.metres, first.kind, units)]
    .filter(Boolean)
    .join(' · ');
}

function AddMenu({ onAdd }: { onAdd: (kind: ElementKind) => void }) {
  const t = useTranslations();
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button className="min-h-11 px-3">
          <Plus size={16} aria-hidden /> {t('drills.elementsPanel.addElement')}
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-50 max-h-[70vh] w-[330px] overflow-auto rounded-[3px] border-[length:var(--stroke)] border-ink bg-sheet"
        >
          {KINDS.map((kind) => (
            <DropdownMenu.Item
              key={kind}
              onSelect={() => onAdd(kind)}
              className="group border-b border-hair px-3 py-1.5 outline-none last:border-b-0 data-[highlighted]:bg-ink data-[highlighted]:text-sheet"
            >
              <span className="block text-[1rem] font-[620]">{ELEMENTS[kind].name}</span>
              <span className="block text-[0.84375rem] text-ink2 group-data-[highlighted]:text-sheet">
                {ELEMENTS[kind].about}
              </span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
