'use client';

import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import Image from 'next/image';
import { useEffect, useState } from 'react';
import { PHOTO_SIDE } from '@/core/planning';
import { Button } from '@/ui/button';
import { dropPhoto, photosOf, type KeptPhoto } from './kept-photos';

/** The photos that were measured in some runs and kept on this device, with what was touched; nothing where there are none. */
export function RunPhotos({ runIds }: { runIds: readonly string[] }) {
  const t = useTranslations();
  const [photos, setPhotos] = useState<KeptPhoto[]>([]);
  const asked = runIds.join();
  useEffect(() => {
    let left = false;
    photosOf(asked.split(','))
      .then((found) => left || setPhotos(found))
      .catch(() => undefined);
    return () => {
      left = true;
    };
  }, [asked]);
  if (photos.length === 0) return null;
  return (
    <section
      aria-label={t('photo.runPhotos.photos')}
      className="border-b border-rule px-4 py-5 md:px-7"
    >
      <h2 className="mb-1 text-[1.25rem] num">{t('photo.runPhotos.photos')}</h2>
      <p className="mb-3 text-[0.9375rem] text-ink2">
        {t('photo.runPhotos.photosStayOnThisDevice')}
      </p>
      <ul className="flex flex-wrap gap-5">
        {photos.map(({ id, at, words, picture, touched }) => (
          <li key={id} className="grid w-[min(100%,300px)] content-start gap-1.5">
            <span className="relative inline-block w-fit">
              <Image
                unoptimized
                src={picture}
                alt={t('photo.runPhotos.photo', { words })}
                width={PHOTO_SIDE}
                height={PHOTO_SIDE}
                className="h-auto max-h-72 w-auto max-w-full border border-rule"
              />
              {touched.map(({ x, y, label }) => (
                <span
                  key={label}
                  title={label}
                  className="absolute h-3 w-3 -translate-1/2 rounded-full border-2 border-sheet bg-line"
                  style={{ left: `${100 * x}%`, top: `${100 * y}%` }}
                />
              ))}
            </span>
            <span className="text-[1rem]">{words}</span>
            <span className="flex items-center justify-between gap-3 text-sm text-ink2">
              {format(new Date(at), 'd MMM, HH:mm')}
              <Button
                kind="quiet"
                onClick={() => {
                  void dropPhoto(id).then(() => setPhotos(photos.filter((one) => one.id !== id)));
                }}
              >
                {t.rich('photo.runPhotos.deleteThePhoto', {
                  words,
                  span: (chunks) => <span className="sr-only">{chunks}</span>,
                })}
              </Button>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
