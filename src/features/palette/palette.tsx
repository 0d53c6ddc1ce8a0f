'use client';

import type { Translate } from '@/words/translate';
import { useTranslations } from 'next-intl';
import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Toggle } from '@/ui/toggle';
import { useKeptSwitch } from '../session/kept';
import { EARLY } from '../shared/keep-early';
import { PLACES } from '../shared/places';
import { askToLeave, unsavedNow } from '../shared/unsaved';
import { found, type PaletteEntry } from './found';

/** The single keys and key pairs, with what they do. */
const keyHelp = (t: Translate): [keys: string, what: string][] => [
  [t('palette.palette.ctrlK'), t('palette.palette.keyFind')],
  ['?', t('palette.palette.keyShortcuts')],
  ...PLACES.map(({ key, name }): [string, string] => [
    key,
    t('palette.palette.keyGoTo', { name: t(name) }),
  ]),
  ['S', t('palette.palette.keyStart')],
  [t('palette.palette.space'), t('palette.palette.keyThrough')],
  ['← →', t('palette.palette.keyTees')],
  ['U', t('palette.palette.keyUndo')],
];

const panel =
  'border-ink bg-sheet text-ink fixed top-[14vh] left-1/2 z-50 w-[min(92vw,560px)] -translate-x-1/2 rounded-[3px] border-2';
const veil = 'fixed inset-0 z-40 bg-black/40';

/** Finding anything by typing, and the list of keys; on every screen. */
export function Palette({ entries }: { entries: PaletteEntry[] }) {
  const t = useTranslations();
  const router = useRouter();
  const [open, setOpen] = useState<'find' | 'keys' | null>(null);
  const [before, setBefore] = useState('');
  const [single, setSingle] = useKeptSwitch('single-keys', true);
  const go = (href: string) => {
    setOpen(null);
    if (unsavedNow() === null) router.push(href);
    else askToLeave({ href });
  };
  /** A letter means the page only while nothing is open over it that has letters of its own. */
  const alone = () =>
    single &&
    !document.querySelector('[role=dialog], [role=alertdialog], [role=listbox], [role=menu]');
  useEffect(() => {
    const openWith = (event: Event) => {
      setBefore((event as CustomEvent<string>).detail);
      setOpen('find');
    };
    window.addEventListener(EARLY.search, openWith);
    return () => window.removeEventListener(EARLY.search, openWith);
  }, []);
  const find = () => {
    setBefore('');
    setOpen('find');
  };
  useHotkeys('mod+k', find, { preventDefault: true, enableOnFormTags: true });
  useHotkeys('shift+slash, ?', () => alone() && setOpen('keys'), { useKey: true });
  useHotkeys(
    PLACES.map(({ key }) => key),
    ({ key }) => {
      const place = PLACES.find((one) => one.key === key);
      if (place && alone()) go(place.href);
    },
    { useKey: true },
  );
  useHotkeys('s', () => alone() && go('/start'));
  return (
    <>
      <Dialog.Root open={open === 'find'} onOpenChange={(next) => setOpen(next ? 'find' : null)}>
        <Dialog.Portal>
          <Dialog.Overlay className={veil} />
          <Dialog.Content className={panel} aria-describedby={undefined}>
            <Dialog.Title className="sr-only">{t('palette.palette.search')}</Dialog.Title>
            <Find entries={entries} before={before} go={go} />
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
      <Dialog.Root open={open === 'keys'} onOpenChange={(next) => setOpen(next ? 'keys' : null)}>
        <Dialog.Portal>
          <Dialog.Overlay className={veil} />
          <Dialog.Content className={`${panel} p-6`} aria-describedby={undefined}>
            <Dialog.Title className="text-[1.25rem] num">
              {t('palette.palette.keyboardShortcuts')}
            </Dialog.Title>
            <dl className="mt-3 grid grid-cols-[110px_1fr] gap-y-1.5">
              {keyHelp(t).map(([keys, what]) => (
                <div key={keys} className="contents">
                  <dt className="num">{keys}</dt>
                  <dd className="text-ink2">{what}</dd>
                </div>
              ))}
            </dl>
            <div className="mt-5 border-t border-rule pt-4">
              <Toggle
                label={t('palette.palette.singleKeyShortcuts')}
                hint={t('palette.palette.turnOffIfYouUse')}
                on={single}
                onChange={setSingle}
              />
            </div>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
}

/** What is typed, and below it what has that name, the best first and taken by Enter. */
function Find({
  entries,
  before,
  go,
}: {
  entries: PaletteEntry[];
  /** What was typed before the page listened. */
  before: string;
  go: (href: string) => void;
}) {
  const t = useTranslations();
  const [typed, setTyped] = useState(before);
  const [pointedAt, setPointedAt] = useState('');
  const shown = found(entries, typed);
  const pointed = shown.some(({ href }) => href === pointedAt) ? pointedAt : shown[0]?.href;
  return (
    <Command
      label={t('palette.palette.search')}
      loop
      shouldFilter={false}
      value={pointed ?? ''}
      onValueChange={setPointedAt}
    >
      <Command.Input
        value={typed}
        onValueChange={(next) => {
          setTyped(next);
          setPointedAt('');
        }}
        placeholder={t('palette.palette.studentDrillOrGreen')}
        className="w-full border-b-2 border-ink bg-transparent px-4 py-3.5 text-[1.125rem] outline-none"
      />
      <Command.List className="max-h-[50vh] overflow-auto p-2">
        <Command.Empty className="px-3 py-4 text-ink2">
          {t('palette.palette.nothingMatchesThatName')}
        </Command.Empty>
        {[...new Set(shown.map(({ group }) => group))].map((group) => (
          <Command.Group
            key={group}
            heading={t(`palette.groups.${group}`)}
            className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:cap"
          >
            {shown
              .filter((entry) => entry.group === group)
              .map(({ name, href }) => (
                <Command.Item
                  key={href}
                  value={href}
                  onSelect={() => go(href)}
                  className="flex min-h-11 items-center px-3 py-2 text-[1rem] data-[selected=true]:bg-ink data-[selected=true]:text-sheet"
                >
                  {name}
                </Command.Item>
              ))}
          </Command.Group>
        ))}
      </Command.List>
    </Command>
  );
}
