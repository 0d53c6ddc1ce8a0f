'use client';

import { useTranslations } from 'next-intl';
import { Printer } from 'lucide-react';
import { Button } from '@/ui/button';

/** Prints the page. */
export function PrintButton() {
  const t = useTranslations();
  return (
    <Button kind="primary" onClick={() => window.print()}>
      <Printer size={17} aria-hidden /> {t('students.printButton.print')}
    </Button>
  );
}
