'use client';

import { useTranslations } from 'next-intl';
import { useEffect, useRef, useState } from 'react';
import { Button } from '@/ui/button';
import {
  KEY_ACTIONS,
  actionOf,
  canBeSet,
  keyWords,
  keysFor,
  withKey,
  type KeyAction,
} from './keymap';
import { useKeyMap } from './use-keymap';

/** Which keys log, set by pressing them: a clicker in the pocket sends keys too. What is pressed is told, and logs nothing here. */
export function KeyPanel() {
  const t = useTranslations();
  const [map, setMap] = useKeyMap();
  const [setting, setSetting] = useState<KeyAction | null>(null);
  const [pressed, setPressed] = useState<string | null>(null);
  const panel = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const hear = (event: KeyboardEvent) => {
      const { key } = event;
      if (event.ctrlKey || event.altKey || event.metaKey || !canBeSet(key)) return;
      // What opens over this one has keys of its own.
      const dialog = panel.current?.closest('[role=dialog]');
      if (dialog && event.target instanceof Node && !dialog.contains(event.target)) return;
      // The buttons of this panel are still worked by keys, unless one is being set.
      const onButton = event.target instanceof Element && event.target.closest('button');
      if (!setting && onButton && (key === ' ' || key === 'Enter')) return;
      event.preventDefault();
      event.stopPropagation();
      setPressed(key);
      if (!setting) return;
      setMap(withKey(map, setting, key));
      setSetting(null);
    };
    window.addEventListener('keydown', hear, { capture: true });
    return () => window.removeEventListener('keydown', hear, { capture: true });
  }, [setting, map, setMap]);
  const does = pressed === null ? null : actionOf(pressed, map);
  return (
    <div ref={panel} className="grid gap-2">
      <p
        role="status"
        aria-label={t('session.keyPanel.keyPressed')}
        className="min-h-6 text-[1rem]"
      >
        {setting
          ? t('session.keyPanel.pressTheKeyFor', { action: KEY_ACTIONS[setting] })
          : pressed === null
            ? t('session.keyPanel.pressAKeyOrYour')
            : `${keyWords(pressed)}: ${does ? KEY_ACTIONS[does] : t('session.keyPanel.doesNothingYet')}`}
      </p>
      <ul>
        {(Object.keys(KEY_ACTIONS) as KeyAction[]).map((action) => (
          <li
            key={action}
            className="flex min-h-12 items-center justify-between gap-3 border-b border-hair last:border-0"
          >
            <span className={does === action ? 'font-[700]' : undefined}>
              {KEY_ACTIONS[action]}
              <span className="block text-sm text-ink2">
                {keysFor(action, map).map(keyWords).join(', ')}
              </span>
            </span>
            <Button
              aria-label={t('session.keyPanel.setAKeyFor', { action: KEY_ACTIONS[action] })}
              aria-pressed={setting === action}
              onClick={() => setSetting(setting === action ? null : action)}
            >
              {setting === action ? t('session.keyPanel.cancel') : t('session.keyPanel.setKey')}
            </Button>
          </li>
        ))}
      </ul>
      {Object.keys(map).length > 0 && (
        <Button kind="quiet" className="justify-self-start" onClick={() => setMap({})}>
          {t('session.keyPanel.resetToDefaultKeys')}
        </Button>
      )}
    </div>
  );
}
