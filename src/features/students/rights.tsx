'use client';

import { useTranslations } from 'next-intl';
import { Download } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import type { Mention } from '@/data';
import { Button } from '@/ui/button';
import { SheetDialog } from '@/ui/sheet-dialog';
import { emptyDevice } from '../offline/device';
import { showErrors } from '../shared/show-errors';
import { erase, mentionsOf } from './actions';

/** Mentions that are listed; more are counted. */
const SHOWN = 12;

/** What a student can ask for: everything that is kept about them as a file, and to be erased. Both are confirmed first. */
export function Rights({
  student,
  given,
  sessions,
  putts,
}: {
  student: string;
  given: string;
  /** How much there is. */
  sessions: number;
  putts: number;
}) {
  const t = useTranslations();
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [sure, setSure] = useState<'file' | 'erase' | null>(null);
  const [busy, begin] = useTransition();
  const much = t('students.rights.sessionAndPutt', { sessions, putts });
  const [mentions, setMentions] = useState<Mention[]>([]);
  const askToErase = () =>
    begin(async () => {
      const found = await mentionsOf(student);
      if (!showErrors(found)) return;
      setMentions(found.value);
      setSure('erase');
    });
  const eraseNow = () =>
    begin(async () => {
      if (!showErrors(await erase(student))) return;
      await emptyDevice();
      router.replace('/students');
      toast(t('students.rights.erasedTheReceiptIsIn', { given, much }));
    });
  return (
    <SheetDialog
      title={t('students.rights.dataStoredAbout', { given })}
      sub={much}
      open={open}
      onOpen={(next) => {
        setOpen(next);
        setSure(null);
      }}
      trigger={<Button>{t('students.rights.manageData')}</Button>}
    >
      <div className="mt-3 grid gap-6">
        <section aria-label={t('students.rights.exportEverything')} className="grid gap-2">
          <h3 className="text-[1.25rem] num">{t('students.rights.exportEverything')}</h3>
          <p className="text-[1rem]">
            {t('students.rights.everythingStoredAboutIncludingYour', { given })}
          </p>
          {sure === 'file' ? (
            <div className="flex flex-wrap gap-2.5">
              <Button asChild kind="primary">
                <a href={`/students/${student}/everything`} download onClick={() => setSure(null)}>
                  <Download size={17} aria-hidden /> {t('students.rights.yesExportWithNotes')}
                </a>
              </Button>
              <Button onClick={() => setSure(null)}>{t('students.rights.cancel')}</Button>
            </div>
          ) : (
            <div>
              <Button onClick={() => setSure('file')}>{t('students.rights.createFile')}</Button>
            </div>
          )}
        </section>
        <section
          aria-label={t('students.rights.erase')}
          className="grid gap-2 border-t border-rule pt-4"
        >
          <h3 className="text-[1.25rem] num">{t('students.rights.erase2', { given })}</h3>
          <p className="text-[1rem]">
            {t('students.rights.deletesAppointmentsProgrammesHomeworkThe', { much })}
          </p>
          {sure === 'erase' && mentions.length > 0 && (
            <div className="grid gap-1.5 border-2 border-warn bg-sheet px-3 py-2">
              <p className="text-[1rem]">
                {t.rich('students.rights.isAlsoNamedHereDirigo', {
                  given,
                  strong: (chunks) => <strong>{chunks}</strong>,
                })}
              </p>
              <ul>
                {mentions.slice(0, SHOWN).map(({ what, words, page }, index) => (
                  <li
                    key={index}
                    className="border-b border-hair py-1.5 text-[0.9375rem] last:border-0"
                  >
                    {page ? (
                      <a href={page} className="font-[620] underline underline-offset-4">
                        {what}
                      </a>
                    ) : (
                      <strong>{what}</strong>
                    )}
                    <span className="block break-words text-ink2">“{words}”</span>
                  </li>
                ))}
              </ul>
              {mentions.length > SHOWN && (
                <p className="text-[0.9375rem] text-ink2">
                  {t('students.rights.andMore', { mentions: mentions.length - SHOWN })}
                </p>
              )}
            </div>
          )}
          {sure === 'erase' ? (
            <div className="flex flex-wrap gap-2.5">
              <Button kind="primary" disabled={busy} onClick={eraseNow}>
                {busy
                  ? t('students.rights.erasing')
                  : t('students.rights.yesErasePermanently', { given })}
              </Button>
              <Button disabled={busy} onClick={() => setSure(null)}>
                {t('students.rights.cancel')}
              </Button>
            </div>
          ) : (
            <div>
              <Button disabled={busy} onClick={askToErase}>
                {t('students.rights.erase3', { given })}
              </Button>
            </div>
          )}
        </section>
      </div>
    </SheetDialog>
  );
}
