'use client';

import { useTranslations } from 'next-intl';
import { useId, useState, useTransition, type ChangeEvent } from 'react';
import { useRouter } from 'next/navigation';
import { toast } from 'sonner';
import { FEELS, leftSchema } from '@/core/planning';
import { Button } from '@/ui/button';
import { NotesField } from '@/ui/field';
import { showErrors } from '../shared/show-errors';
import { leaveWordAtHome } from './actions';
import { SentPicture } from './sent-picture';
import { smallPicture } from '../shared/small-picture';

/** How it felt, a line, a picture of the set-up: for the coach, with a piece of homework. */
export function LeaveWord({ token, homework }: { token: string; homework: string }) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, run] = useTransition();
  const [feel, setFeel] = useState<number | null>(null);
  const [text, setText] = useState('');
  const [photo, setPhoto] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string>();
  const [wrongPicture, setWrongPicture] = useState<string>();
  const id = useId();
  const choose = (event: ChangeEvent<HTMLInputElement>) => {
    const [file] = event.target.files ?? [];
    event.target.value = '';
    if (!file) return;
    run(async () => {
      try {
        setPhoto(await smallPicture(file));
        setWrongPicture(undefined);
      } catch (error) {
        setWrongPicture(
          error instanceof RangeError ? error.message : t('home.leaveWord.thisPictureCannotBeRead'),
        );
      }
    });
  };
  const send = () =>
    run(async () => {
      const left = leftSchema.safeParse({ feel, text, photo });
      if (!left.success) {
        setWrong(left.error.issues[0]!.message);
        return;
      }
      // With no signal everything stays in its field.
      const result = await leaveWordAtHome(token, { homework, left: left.data }).catch(() => null);
      if (!result) {
        setWrong(t('home.leaveWord.theServerIsNotAnswering'));
        return;
      }
      if (!showErrors(result)) return;
      setFeel(null);
      setText('');
      setPhoto(null);
      setWrong(undefined);
      toast.success(t('home.leaveWord.sentToYourCoach'));
      router.refresh();
    });
  return (
    <div className="grid gap-3">
      <div role="group" aria-labelledby={id} className="grid gap-1.5">
        <span id={id} className="cap">
          {t('home.leaveWord.howDidItFeel')}
        </span>
        <div className="grid grid-cols-5 gap-1.5">
          {FEELS.map((name, index) => (
            <button
              key={name}
              type="button"
              aria-pressed={feel === index + 1}
              onClick={() => setFeel(feel === index + 1 ? null : index + 1)}
              className="grid min-h-14 place-items-center rounded-[3px] border-[length:var(--stroke)] border-ink bg-sheet px-1 text-center leading-tight aria-pressed:bg-ink aria-pressed:text-sheet"
            >
              <span className="text-[1.1875rem] num">{index + 1}</span>
              <span className="text-[0.78125rem] font-[560]">{name}</span>
            </button>
          ))}
        </div>
      </div>
      <NotesField
        label={t('home.leaveWord.messageToYourCoach')}
        rows={2}
        value={text}
        onChange={(event) => setText(event.target.value)}
        error={wrong}
      />
      {photo && <SentPicture src={photo} alt={t('home.leaveWord.pictureToBeSent')} />}
      {wrongPicture && (
        <p role="alert" className="text-sm font-[560] text-line">
          <span aria-hidden>▲ </span>
          {wrongPicture}
        </p>
      )}
      <div className="flex flex-wrap gap-2.5">
        <label className="inline-flex min-h-12 cursor-pointer items-center rounded-[3px] border-[length:var(--stroke)] border-ink bg-sheet px-4 text-[0.9375rem] font-[620] focus-within:outline-2">
          {photo ? t('home.leaveWord.changePicture') : t('home.leaveWord.addAPictureOfThe')}
          <input type="file" accept="image/*" className="sr-only" onChange={choose} />
        </label>
        {photo && (
          <Button className="min-h-12" onClick={() => setPhoto(null)}>
            {t('home.leaveWord.removePicture')}
          </Button>
        )}
        <Button kind="primary" className="min-h-12" disabled={busy} onClick={send}>
          {t('home.leaveWord.sendMessage')}
        </Button>
      </div>
    </div>
  );
}
