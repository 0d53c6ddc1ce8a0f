'use client';

import { useTranslations } from 'next-intl';
import { Download } from 'lucide-react';
import { useRef, type ReactNode } from 'react';
import { drawingsFile } from '@/ui/drawing-file';
import { saveText } from '@/ui/save-text';

/** Rulers, and a touch that saves those that are open as a drawing for other programs. */
export function RulersFile({ name, children }: { name: string; children: ReactNode }) {
  const t = useTranslations();
  const rulers = useRef<HTMLDivElement>(null);
  const save = () => {
    const drawings = [...rulers.current!.querySelectorAll<SVGSVGElement>('svg[role=img]')].filter(
      (one) => one.getClientRects().length > 0,
    );
    if (drawings.length > 0) saveText(`${name}.svg`, drawingsFile(drawings), 'image/svg+xml');
  };
  return (
    <div>
      <div ref={rulers}>{children}</div>
      <button
        type="button"
        onClick={save}
        className="m-2 flex min-h-11 items-center gap-2 px-3 text-[0.9375rem] underline underline-offset-4 md:mx-4 print:hidden"
      >
        <Download size={16} aria-hidden /> {t('students.rulersFile.downloadRulersSVG')}
      </button>
    </div>
  );
}
