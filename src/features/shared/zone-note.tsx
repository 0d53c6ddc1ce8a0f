import { useTranslations } from 'next-intl';
/** Says beside a time whose clock it is: " · Amsterdam time". Shown only where this device's own clock shows another time. */
export function ZoneNote({ zone }: { zone: string }) {
  const t = useTranslations();
  const city = zone.split('/').at(-1)!.replaceAll('_', ' ');
  return (
    <span className="hidden in-[[data-away]]:inline"> {t('shared.zoneNote.time', { city })}</span>
  );
}
