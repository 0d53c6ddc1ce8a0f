'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import type { Role } from '@/data';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Pick } from '@/ui/pick';
import { QrCode } from '@/ui/qr-code';
import { SheetDialog } from '@/ui/sheet-dialog';
import { showErrors } from '../shared/show-errors';
import { addToAcademy, linkForCoach, setLeft, setRole } from './actions';
import { ROLE_WORDS } from './role-words';

const ROLE_OPTIONS = Object.entries(ROLE_WORDS).map(([value, { name, may }]) => ({
  value,
  label: name,
  detail: may,
}));

interface CoachShown {
  id: string;
  name: string;
  role: Role;
  left: boolean;
  students: number;
  /** Students of others that are shared with them. */
  shared: number;
}

const countWords = (t: Translate, own: number, shared: number): string => {
  const students =
    own === 0
      ? t('academy.coachList.noStudentsOfTheirOwn')
      : own === 1
        ? t('academy.coachList.n1Student')
        : t('academy.coachList.students', { own });
  return shared === 0 ? students : t('academy.coachList.sharedWithThem', { students, shared });
};

/** Who teaches here: their role, a link that signs them in, and when they leave. */
export function CoachList({ coaches, here }: { coaches: CoachShown[]; here: string }) {
  const t = useTranslations();
  const [busy, begin] = useTransition();
  const [link, setLink] = useState<{ name: string; address: string } | null>(null);
  return (
    <>
      <ul>
        {coaches.map(({ id, name, role, left, students, shared }) => (
          <li
            key={id}
            className="grid gap-3 border-b border-rule py-4 last:border-0 md:grid-cols-[1fr_180px_226px] md:items-center"
          >
            <div>
              <p className="text-[1.125rem] font-[640]">
                {name || t('academy.coachList.noNameYet')}
                {id === here && (
                  <span className="font-[450] text-ink2"> {t('academy.coachList.you')}</span>
                )}
              </p>
              <p className="text-[0.9375rem] text-ink2">
                {left
                  ? t('academy.coachList.thisCoachHasLeftEverything')
                  : `${countWords(t, students, shared)} · ${ROLE_WORDS[role].may}`}
              </p>
            </div>
            {left ? (
              <span />
            ) : (
              <Pick
                label={t('academy.coachList.roleOf', {
                  name: name || t('academy.coachList.thisCoach'),
                })}
                quiet
                placeholder={t('academy.coachList.role')}
                options={ROLE_OPTIONS}
                value={role}
                onChange={(next) =>
                  begin(async () => {
                    if (showErrors(await setRole({ id, role: next as Role })))
                      toast(t('academy.coachList.changed'));
                  })
                }
              />
            )}
            <div className="flex flex-wrap gap-2.5">
              {!left && (
                <Button
                  disabled={busy}
                  aria-label={t('academy.coachList.createSignInLinkFor', {
                    name: name || t('academy.coachList.thisCoach'),
                  })}
                  onClick={() =>
                    begin(async () => {
                      const result = await linkForCoach(id);
                      if (showErrors(result)) setLink({ name, address: result.value });
                    })
                  }
                >
                  {t('academy.coachList.createSignInLink')}
                </Button>
              )}
              {id !== here && (
                <Button
                  kind="quiet"
                  disabled={busy}
                  aria-label={
                    left
                      ? t('academy.coachList.reinstate', { name })
                      : t('academy.coachList.markAsLeft', { name })
                  }
                  onClick={() =>
                    begin(async () => {
                      if (!showErrors(await setLeft({ id, left: !left }))) return;
                      toast(
                        left
                          ? t('academy.coachList.isBackInTheAcademy', { name })
                          : t('academy.coachList.hasLeftTheAcademyAnd', { name }),
                      );
                    })
                  }
                >
                  {left ? t('academy.coachList.reinstate2') : t('academy.coachList.markAsLeft2')}
                </Button>
              )}
            </div>
          </li>
        ))}
      </ul>
      <SheetDialog
        title={t('academy.coachList.signInLinkFor', { link: link?.name ?? '' })}
        sub={t('academy.coachList.theLinkSignsInOne')}
        open={link !== null}
        onOpen={(open) => !open && setLink(null)}
      >
        {link && (
          <div className="mt-4 grid justify-items-start gap-3">
            <QrCode text={link.address} label={t('academy.coachList.qRCodeOfTheSign')} />
            <p className="text-sm num break-all">{link.address}</p>
            <Button
              kind="primary"
              onClick={() =>
                void navigator.clipboard
                  .writeText(link.address)
                  .then(() => toast(t('academy.coachList.linkCopied')))
              }
            >
              {t('academy.coachList.copyLink')}
            </Button>
          </div>
        )}
      </SheetDialog>
    </>
  );
}

/** Somebody new to teach here. */
export function AddCoach() {
  const t = useTranslations();
  const [name, setName] = useState('');
  const [role, setNewRole] = useState<Role>('coach');
  const [fields, setFields] = useState<Record<string, string>>({});
  const [busy, begin] = useTransition();
  return (
    <form
      noValidate
      className="grid gap-5"
      onSubmit={(event) => {
        event.preventDefault();
        begin(async () => {
          const result = await addToAcademy({ name, role });
          setFields(result.ok ? {} : result.fields);
          if (!result.ok && Object.keys(result.fields).length > 0) return;
          if (!showErrors(result)) return;
          setName('');
          toast.success(t('academy.coachList.isNowInTheAcademy', { name }));
        });
      }}
    >
      <TextField
        label={t('academy.coachList.name')}
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={fields.name}
      />
      <Pick
        label={t('academy.coachList.role')}
        placeholder={t('academy.coachList.role')}
        options={ROLE_OPTIONS}
        value={role}
        onChange={(next) => setNewRole(next as Role)}
      />
      <div>
        <Button type="submit" disabled={busy}>
          {t('academy.coachList.addCoach')}
        </Button>
      </div>
    </form>
  );
}
