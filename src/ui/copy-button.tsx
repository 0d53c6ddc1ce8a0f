'use client';

import { useTranslations } from 'next-intl';
import { Copy } from 'lucide-react';
import { toast } from 'sonner';
import { Button } from './button';

/** Puts a text on the clipboard: a table as a spreadsheet takes it. */
export function CopyButton({ text, label }: { text: string; label: string }) {
  const t = useTranslations();
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(text);
      toast(t('ui.copyButton.copiedYouCanPasteIt'));
    } catch {
      toast.error('This browser does not allow copying. Select the table and copy it by hand.');
    }
  };
  return (
    <Button onClick={() => void copy()}>
      <Copy size={16} aria-hidden /> {label}
    </Button>
  );
}
