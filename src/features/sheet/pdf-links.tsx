import { useTranslations } from 'next-intl';
import { Button } from '@/ui/button';
import { PAPERS } from './paper';

/**
 * A page as PDF, on either paper.
 *
 * @param at the address of its PDF
 */
export function PdfLinks({ at }: { at: string }) {
  const t = useTranslations();
  return Object.values(PAPERS).map(({ id, name }) => (
    <Button key={id} asChild>
      <a href={`${at}?paper=${id}`} download>
        {t('sheet.pdfLinks.downloadPDF', { name })}
      </a>
    </Button>
  ));
}
