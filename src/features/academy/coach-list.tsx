'use client';

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

const countWords = (own: number, shared: number): string => {
  const students =
    own === 0 ? 'no students of their own' : own === 1 ? '1 student' : `${own} students`;
  return shared === 0 ? students : `${students}, ${shared} shared with them`;
};

/** Who teaches here: their role, a link that signs them in, and when they leave. */
export function CoachList({ coaches, here }: { coaches: CoachShown[]; here: string }) {
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
                {name || 'No name yet'}
                {id === here && <span className="font-[450] text-ink2"> · you</span>}
              </p>
              <p className="text-[0.9375rem] text-ink2">
                {left
                  ? 'This coach has left. Everything they logged is kept.'
                  : `${countWords(students, shared)} · ${ROLE_WORDS[role].may}`}
              </p>
            </div>
            {left ? (
              <span />
            ) : (
              <Pick
                label={`Role of ${name || 'this coach'}`}
                quiet
                placeholder="Role"
                options={ROLE_OPTIONS}
                value={role}
                onChange={(next) =>
                  begin(async () => {
                    if (showErrors(await setRole({ id, role: next as Role }))) toast('Changed.');
                  })
                }
              />
            )}
            <div className="flex flex-wrap gap-2.5">
              {!left && (
                <Button
                  disabled={busy}
                  aria-label={`Create sign-in link for ${name || 'this coach'}`}
                  onClick={() =>
                    begin(async () => {
                      const result = await linkForCoach(id);
                      if (showErrors(result)) setLink({ name, address: result.value });
                    })
                  }
                >
                  Create sign-in link
                </Button>
              )}
              {id !== here && (
                <Button
                  kind="quiet"
                  disabled={busy}
                  aria-label={left ? `Reinstate ${name}` : `Mark as left: ${name}`}
                  onClick={() =>
                    begin(async () => {
                      if (!showErrors(await setLeft({ id, left: !left }))) return;
                      toast(
                        left
                          ? `${name} is back in the academy.`
                          : `${name} has left the academy and is signed out.`,
                      );
                    })
                  }
                >
                  {left ? 'Reinstate' : 'Mark as left'}
                </Button>
              )}
            </div>
          </li>
        ))}
      </ul>
      <SheetDialog
        title={`Sign-in link for ${link?.name ?? ''}`}
        sub="The link signs in one device, once, within two days."
        open={link !== null}
        onOpen={(open) => !open && setLink(null)}
      >
        {link && (
          <div className="mt-4 grid justify-items-start gap-3">
            <QrCode text={link.address} label="QR code of the sign-in link" />
            <p className="text-sm num break-all">{link.address}</p>
            <Button
              kind="primary"
              onClick={() =>
                void navigator.clipboard.writeText(link.address).then(() => toast('Link copied.'))
              }
            >
              Copy link
            </Button>
          </div>
        )}
      </SheetDialog>
    </>
  );
}

/** Somebody new to teach here. */
export function AddCoach() {
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
          toast.success(`${name} is now in the academy. Create a sign-in link for them.`);
        });
      }}
    >
      <TextField
        label="Name"
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={fields.name}
      />
      <Pick
        label="Role"
        placeholder="Role"
        options={ROLE_OPTIONS}
        value={role}
        onChange={(next) => setNewRole(next as Role)}
      />
      <div>
        <Button type="submit" disabled={busy}>
          Add coach
        </Button>
      </div>
    </form>
  );
}
