import { getTranslations } from 'next-intl/server';
import { listChanges, type CoachPrincipal, type Database } from '@/data';
import { byWords, partsOf } from './change-words';
import { UndoButton } from './undo-button';

/** Who changed a thing, when, and what of it; what can be, is taken back here. */
export async function History({
  database,
  principal,
  about,
  most = 12,
}: {
  database: Database;
  principal: CoachPrincipal;
  /** Ids of what is shown: a student, a drill, a green, the sessions of a group. */
  about: string[];
  most?: number;
}) {
  const t = await getTranslations();
  const changes = await listChanges(database, about, most);
  if (changes.length === 0) return null;
  return (
    <details className="border-t border-rule px-4 py-4 md:px-7">
      <summary className="min-h-11 cursor-pointer py-2 text-[1rem] font-[620]">
        {t.rich('academy.history.changeHistoryLastChange', {
          changes: byWords(changes[0]!),
          span: (chunks) => <span className="font-[450] text-ink2">{chunks}</span>,
        })}
      </summary>
      <ol>
        {changes.map((change) => {
          const parts = partsOf(change);
          return (
            <li
              key={change.id}
              className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-b border-hair py-2 last:border-0"
            >
              <p className="max-w-prose text-[0.96875rem]">
                <strong className="font-[620]">{change.what}</strong>
                {parts && <span> ({parts})</span>}
                <span className="block text-[0.90625rem] text-ink2">
                  {byWords(change)}
                  {change.undone && t('academy.history.undoneSinceThen')}
                </span>
              </p>
              {change.undoable && principal.as !== 'assistant' && (
                <UndoButton id={change.id} what={change.what} />
              )}
            </li>
          );
        })}
      </ol>
    </details>
  );
}
