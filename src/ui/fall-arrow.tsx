import { useTranslations } from 'next-intl';
/** An arrow the way a green falls, seen from the ball with the hole ahead; as long as it is steep. */
export function FallArrow({
  grade,
  falls,
  label,
}: {
  grade: number;
  falls: number;
  label: string;
}) {
  const t = useTranslations();
  if (grade === 0) return <span className="num">{t('ui.fallArrow.level')}</span>;
  const reach = 5 + Math.min(grade / 0.04, 1) * 9;
  return (
    <svg width="36" height="36" viewBox="-18 -18 36 36" role="img" aria-label={label}>
      <circle r="16.5" className="fill-none stroke-rule" />
      <path d="M0 -16.5V-12" className="stroke-ink2" strokeWidth="1.5" />
      <g transform={`rotate(${(falls * 180) / Math.PI})`} className="stroke-ink" strokeWidth="2.2">
        <path
          d={`M0 ${reach}V${-reach}M-5 ${-reach + 6}L0 ${-reach}L5 ${-reach + 6}`}
          className="fill-none"
        />
      </g>
    </svg>
  );
}
