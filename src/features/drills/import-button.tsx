'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { useRef, useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { importDrill } from './actions';

/** Takes in a drill from a file; what is wrong with it stands below, with its place. */
export function ImportButton() {
  const t = useTranslations();
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [busy, begin] = useTransition();
  const [error, setError] = useState<string>();
  const take = (file: File | undefined) => {
    if (!file) return;
    setError(undefined);
    begin(async () => {
      const result = await importDrill(await file.text());
      if (!result.ok) {
        return setError(
          t('drills.importButton.wasNotImported', {
            file: file.name,
            values: Object.values(result.fields)[0] ?? result.message,
          }),
        );
      }
      toast.success(t('drills.importButton.drillImported'));
      router.push(`/drills/${result.value}`);
    });
  };
  return (
    <>
      <Button onClick={() => input.current?.click()} disabled={busy}>
        {t('drills.importButton.importDrill')}
      </Button>
      <input
        ref={input}
        type="file"
        accept="application/json,.json"
        className="hidden"
        aria-label={t('drills.importButton.drillFile')}
        onChange={({ target }) => {
          take(target.files?.[0]);
          target.value = '';
        }}
      />
      {error && (
        <p role="alert" className="basis-full text-[0.9375rem] font-[560] text-line">
          ▲ {error}
        </p>
      )}
    </>
  );
}
